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
