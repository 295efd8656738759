<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a validated profile may be trusted for. */
final readonly class Scope
{
    /** @param list<string> $alsoMaterialIds */
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
        /** Null: no print of the evidence was measured. */
        public ?float $longestJobMinutes,
        public int $mostParts,
        /** What else stood on the plate in all of its evidence, from the catalogue. */
        public array $alsoMaterialIds = [],
    ) {
    }

    /**
     * Whether the job is inside the scope, by point; null: the job does not say.
     *
     * @return array<string, bool|null>
     */
    public function inside(Job $job): array
    {
        return [
            'plate' => true,
            'lot' => null === $this->lotId || $this->lotId === $job->lotId,
            'printer' => $this->printerId === $job->printerId,
            'room' => $job->roomC >= $this->roomLowC && $job->roomC <= $this->roomHighC,
            'enclosure' => !$this->enclosureNeeded || $job->enclosed,
            'job' => match (true) {
                null === $this->longestJobMinutes => false,
                null === $job->minutes => null,
                default => $job->minutes <= $this->longestJobMinutes,
            },
            'parts' => $job->partCount <= $this->mostParts,
            // Of one material alone nothing is said of it.
            ...([] === $this->alsoMaterialIds && [] === $job->alsoMaterialIds ? [] : ['materials' => $this->sameMaterials($job)]),
        ];
    }

    /**
     * Each point of the scope, whether the job is inside it, and why.
     *
     * @return list<ScopePoint>
     */
    public function check(Job $job): array
    {
        $points = [];
        foreach ($this->inside($job) as $point => $inside) {
            $points[] = new ScopePoint($point, $inside, match ($point) {
                'plate' => null === $this->sideId ? Sentence::of('scope.any_plate') : Sentence::of('scope.plate', side: $this->sideName),
                'lot' => null === $this->lotId ? Sentence::of('scope.any_lot') : Sentence::of(match (true) {
                    true === $inside => 'scope.lot',
                    null === $job->lotId => 'scope.lot_not_chosen',
                    default => 'scope.lot_only',
                }, lot: $this->lotName),
                'printer' => Sentence::of(true === $inside ? 'scope.printer' : 'scope.printer_only', printer: $this->printerName),
                'room' => Sentence::of(
                    'scope.room',
                    low: Quantity::celsius($this->roomLowC),
                    high: Quantity::celsius($this->roomHighC),
                    room: Quantity::celsius($job->roomC),
                ),
                'enclosure' => Sentence::of($this->enclosureNeeded ? 'scope.enclosure' : 'scope.no_enclosure'),
                'job' => $this->length($job->minutes, $inside),
                'materials' => Sentence::of([] === $this->alsoMaterialIds ? 'scope.alone' : (true === $inside ? 'scope.materials' : 'scope.other_materials')),
                default => true === $inside
                    ? Sentence::of('scope.parts', most: Quantity::count($this->mostParts))
                    : Sentence::of('scope.parts_beyond', parts: Quantity::count($job->partCount), most: Quantity::count($this->mostParts)),
            });
        }

        return $points;
    }

    private function sameMaterials(Job $job): bool
    {
        return [] === array_diff($this->alsoMaterialIds, $job->alsoMaterialIds) && [] === array_diff($job->alsoMaterialIds, $this->alsoMaterialIds);
    }

    private function length(?float $minutes, ?bool $inside): Sentence
    {
        if (null === $this->longestJobMinutes) {
            return Sentence::of('scope.no_length');
        }
        $longest = Quantity::minutes($this->longestJobMinutes);

        return match (true) {
            null === $minutes => Sentence::of('scope.job_unsaid', longest: $longest),
            true === $inside => Sentence::of('scope.job', longest: $longest),
            default => Sentence::of('scope.job_beyond', job: Quantity::minutes($minutes), longest: $longest),
        };
    }
}
