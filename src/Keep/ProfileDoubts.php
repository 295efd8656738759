<?php

declare(strict_types=1);

namespace App\Keep;

use App\Evidence\EvidenceRepository;
use App\Evidence\PrinterChanges;
use App\Platform\Database\StoredId;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Doubts;
use Sitzplatz\Keep\DriftKind;
use Sitzplatz\Keep\ProfileGround;
use Sitzplatz\Keep\ShelfNow;

/** Holds signed profiles against what lies on the shelf and has happened to their printers since. */
final readonly class ProfileDoubts
{
    /** What a row of the profile "p" has to bring along for {@see ofRow}, and from where. */
    public const GROUND = 'p.fitting_id, p.evidence_until, p.evidence_fails_since, p.created_at, p.review_by, p.printer_id, g.surface_lot,
        s.fitting_id AS fitting_now, f.surface_lot AS lot_now, w.drift, w.drifted_on, s.plate_id, s.face, pl.number, pl.retired';
    public const SHELF = 'LEFT JOIN fitting g ON g.id = p.fitting_id LEFT JOIN plate_side s ON s.id = p.side_id LEFT JOIN fitting f ON f.id = s.fitting_id
        LEFT JOIN plate pl ON pl.id = s.plate_id LEFT JOIN profile_tally w ON w.profile_id = p.id';

    public function __construct(
        private EntityManagerInterface $entities,
        private PrinterChanges $changes,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<Doubt> */
    public function of(Profile $profile): array
    {
        $now = $profile->side?->fitting;
        $plate = $profile->side?->plate;

        return $this->held(
            new ProfileGround(
                $profile->fitting?->id->toRfc4122(),
                $profile->side?->label() ?? '',
                $plate?->id->toRfc4122(),
                $profile->fitting->surfaceLot ?? '',
                EvidenceRepository::seconds($profile->evidenceUntil ?? $profile->createdAt),
                $profile->reviewBy?->format('Y-m-d'),
                $profile->evidenceFailsSince?->format('Y-m-d'),
            ),
            $now?->id->toRfc4122(),
            $now->surfaceLot ?? '',
            $plate->retired ?? false,
            $profile->printer?->id->toRfc4122(),
            ...$this->watched($profile),
        );
    }

    /**
     * The same of a row, so that hundreds are held without being built.
     *
     * @param array<string, mixed> $row
     *
     * @return list<Doubt>
     */
    public function ofRow(array $row): array
    {
        $text = static fn (mixed $value): ?string => \is_string($value) ? $value : null;
        $ended = new \DateTimeImmutable($text($row['evidence_until']) ?? (string) $text($row['created_at']), new \DateTimeZone('UTC'));

        return $this->held(
            new ProfileGround(
                StoredId::textOrNull($row['fitting_id']),
                trim($text($row['number']).' '.$text($row['face'])),
                StoredId::textOrNull($row['plate_id']),
                $text($row['surface_lot']) ?? '',
                EvidenceRepository::seconds($ended),
                $text($row['review_by']),
                $text($row['evidence_fails_since']),
            ),
            StoredId::textOrNull($row['fitting_now']),
            $text($row['lot_now']) ?? '',
            (bool) $row['retired'],
            StoredId::textOrNull($row['printer_id']),
            $text($row['drift']),
            $text($row['drifted_on']),
        );
    }

    /**
     * How many validated profiles nothing puts in question, without reading their documents.
     *
     * @return array<string, array<string, int>> by material and surface
     */
    public function undoubted(): array
    {
        $found = [];
        foreach ($this->entities->getConnection()->iterateAssociative(
            "SELECT p.material_id, COALESCE(g.surface_id, JSON_VALUE(p.document, '$.scope.surfaceId')) AS surface_id, ".self::GROUND.'
             FROM profile p '.self::SHELF.' WHERE p.status = ?',
            [Profile::VALIDATED],
        ) as $row) {
            if ([] === $this->ofRow($row)) {
                [$material, $surface] = [(string) $row['material_id'], (string) $row['surface_id']];
                $found[$material][$surface] = ($found[$material][$surface] ?? 0) + 1;
            }
        }

        return $found;
    }

    /** @return array{?string, ?string} in what it has drifted, and the day that showed it */
    private function watched(Profile $profile): array
    {
        $row = $this->entities->getConnection()->fetchAssociative(
            'SELECT drift, drifted_on FROM profile_tally WHERE profile_id = ?',
            [$profile->id->toBinary()],
        );

        return [\is_string($row['drift'] ?? null) ? $row['drift'] : null, \is_string($row['drifted_on'] ?? null) ? $row['drifted_on'] : null];
    }

    /** @return list<Doubt> */
    private function held(
        ProfileGround $ground,
        ?string $fittingNow,
        string $lotNow,
        bool $retired,
        ?string $printerId,
        ?string $drift,
        ?string $driftedOn,
    ): array {
        return Doubts::of($ground, new ShelfNow(
            $fittingNow,
            $lotNow,
            $retired,
            null === $printerId ? [] : $this->changes->of($printerId),
            $this->clock->now()->format('Y-m-d'),
            null === $drift ? null : DriftKind::from($drift),
            $driftedOn,
        ));
    }
}
