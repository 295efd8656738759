<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Units\Figure;

/** What a validated profile may be trusted for. */
final readonly class Scope
{
    public function __construct(
        public string $materialId,
        /** Null: any lot. */
        public ?string $lotId,
        public string $lotName,
        /** Null: any plate of this surface. */
        public ?string $sideId,
        public string $sideName,
        public string $surfaceId,
        public string $printerId,
        public string $printerName,
        public float $roomLowC,
        public float $roomHighC,
        public bool $enclosureNeeded,
        public float $longestJobMinutes,
        public int $mostParts,
    ) {
    }

    /**
     * Each point of the scope, whether the job is inside it, and why, in a sentence.
     *
     * @return list<ScopePoint>
     */
    public function check(Job $job): array
    {
        return [
            null === $this->lotId
                ? new ScopePoint('lot', true, 'Proven for any lot.')
                : new ScopePoint('lot', $this->lotId === $job->lotId, match (true) {
                    $this->lotId === $job->lotId => \sprintf('Proven with lot %s.', $this->lotName),
                    null === $job->lotId => \sprintf('Proven with lot %s only, and no lot is chosen.', $this->lotName),
                    default => \sprintf('Proven with lot %s only.', $this->lotName),
                }),
            new ScopePoint('printer', $this->printerId === $job->printerId, \sprintf(
                $this->printerId === $job->printerId ? 'Proven on %s.' : 'Proven on %s only.',
                $this->printerName,
            )),
            new ScopePoint(
                'room',
                $job->roomC >= $this->roomLowC && $job->roomC <= $this->roomHighC,
                \sprintf('Proven in a room of %s to %s °C; yours is %s °C.', Figure::short($this->roomLowC), Figure::short($this->roomHighC), Figure::short($job->roomC)),
            ),
            new ScopePoint(
                'enclosure',
                !$this->enclosureNeeded || $job->enclosed,
                $this->enclosureNeeded ? 'Proven in an enclosure.' : 'Proven without an enclosure.',
            ),
            new ScopePoint(
                'job',
                null === $job->minutes || $job->minutes <= $this->longestJobMinutes,
                \sprintf(
                    null !== $job->minutes && $job->minutes > $this->longestJobMinutes
                        ? 'The job takes %2$s; nothing beyond %1$s is proven.'
                        : 'Proven for jobs up to %1$s.',
                    self::duration($this->longestJobMinutes),
                    self::duration($job->minutes ?? 0),
                ),
            ),
            new ScopePoint(
                'parts',
                $job->partCount <= $this->mostParts,
                \sprintf(
                    $job->partCount > $this->mostParts
                        ? '%2$d parts on the plate; nothing beyond %1$d is proven.'
                        : (1 === $this->mostParts ? 'Proven for a single part on the plate.' : 'Proven for up to %1$d parts on the plate.'),
                    $this->mostParts,
                    $job->partCount,
                ),
            ),
        ];
    }

    private static function duration(float $minutes): string
    {
        $whole = (int) round($minutes);

        return $whole < 90 ? \sprintf('%d min', $whole) : \sprintf('%d h %02d min', intdiv($whole, 60), $whole % 60);
    }
}
