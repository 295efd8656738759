<?php

declare(strict_types=1);

namespace App\Keep;

use App\Evidence\ChangeEvent;
use App\Evidence\EvidenceRepository;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Doubts;
use Sitzplatz\Keep\ProfileGround;
use Sitzplatz\Keep\ShelfNow;
use Symfony\Component\Uid\Uuid;
use Symfony\Contracts\Service\ResetInterface;

/** Holds signed profiles against what lies on the shelf and has happened to their printers since. */
final class ProfileDoubts implements ResetInterface
{
    /** @var array<string, list<Change>>|null by printer, newest first */
    private ?array $changes = null;

    public function __construct(private readonly EntityManagerInterface $entities, private readonly ClockInterface $clock)
    {
    }

    /** @return list<Doubt> */
    public function of(Profile $profile): array
    {
        $now = $profile->side?->fitting;
        $plate = $profile->side?->plate;

        return Doubts::of(
            new ProfileGround(
                $profile->fitting?->id->toRfc4122(),
                $profile->side?->label() ?? '',
                $plate?->id->toRfc4122(),
                $profile->fitting->surfaceLot ?? '',
                EvidenceRepository::seconds($profile->evidenceUntil ?? $profile->createdAt),
                $profile->reviewBy?->format('Y-m-d'),
            ),
            new ShelfNow(
                $now?->id->toRfc4122(),
                $now->surfaceLot ?? '',
                $plate->retired ?? false,
                null === $profile->printer ? [] : $this->changes()[$profile->printer->id->toRfc4122()] ?? [],
                $this->clock->now()->format('Y-m-d'),
            ),
        );
    }

    /**
     * How many validated profiles nothing puts in question, without reading their documents.
     *
     * @return array<string, array<string, int>> by material and surface
     */
    public function undoubted(): array
    {
        $today = $this->clock->now()->format('Y-m-d');
        $text = static fn (mixed $value): ?string => \is_string($value) ? $value : null;
        $found = [];
        foreach ($this->entities->getConnection()->iterateAssociative(
            "SELECT p.material_id, JSON_VALUE(p.document, '$.scope.surfaceId') AS surface_id, p.fitting_id, p.evidence_until, p.created_at, p.review_by,
                p.printer_id, g.surface_lot, s.fitting_id AS fitting_now, f.surface_lot AS lot_now, s.plate_id, pl.retired
             FROM profile p LEFT JOIN fitting g ON g.id = p.fitting_id LEFT JOIN plate_side s ON s.id = p.side_id LEFT JOIN fitting f ON f.id = s.fitting_id
             LEFT JOIN plate pl ON pl.id = s.plate_id WHERE p.status = ?",
            [Profile::VALIDATED],
        ) as $row) {
            $plate = $text($row['plate_id']);
            $printer = $text($row['printer_id']);
            $ended = new \DateTimeImmutable($text($row['evidence_until']) ?? (string) $text($row['created_at']), new \DateTimeZone('UTC'));
            $doubts = Doubts::of(
                new ProfileGround(
                    $text($row['fitting_id']),
                    '',
                    null === $plate ? null : Uuid::fromBinary($plate)->toRfc4122(),
                    $text($row['surface_lot']) ?? '',
                    EvidenceRepository::seconds($ended),
                    $text($row['review_by']),
                ),
                new ShelfNow(
                    $text($row['fitting_now']),
                    $text($row['lot_now']) ?? '',
                    (bool) $row['retired'],
                    null === $printer ? [] : $this->changes()[Uuid::fromBinary($printer)->toRfc4122()] ?? [],
                    $today,
                ),
            );
            if ([] === $doubts) {
                [$material, $surface] = [(string) $text($row['material_id']), (string) $text($row['surface_id'])];
                $found[$material][$surface] = ($found[$material][$surface] ?? 0) + 1;
            }
        }

        return $found;
    }

    /** What was read serves one request. */
    public function reset(): void
    {
        $this->changes = null;
    }

    /** @return array<string, list<Change>> */
    private function changes(): array
    {
        if (null === $this->changes) {
            $this->changes = [];
            foreach ($this->entities->getRepository(ChangeEvent::class)->findBy([], ['createdAt' => 'DESC']) as $event) {
                $this->changes[$event->printer->id->toRfc4122()][] = $event->change();
            }
        }

        return $this->changes;
    }
}
