<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

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
        /** Null: no print of the evidence was measured. */
        public ?float $longestJobMinutes,
        public int $mostParts,
    ) {
    }

    /**
     * Each point of the scope, whether the job is inside it, and why.
     *
     * @return list<ScopePoint>
     */
    public function check(Job $job): array
    {
        $tooFull = $job->partCount > $this->mostParts;
        $most = Quantity::count($this->mostParts);

        return [
            new ScopePoint('plate', true, null === $this->sideId
                ? Sentence::of('scope.any_plate')
                : Sentence::of('scope.plate', side: $this->sideName)),
            null === $this->lotId
                ? new ScopePoint('lot', true, Sentence::of('scope.any_lot'))
                : new ScopePoint('lot', $this->lotId === $job->lotId, Sentence::of(match (true) {
                    $this->lotId === $job->lotId => 'scope.lot',
                    null === $job->lotId => 'scope.lot_not_chosen',
                    default => 'scope.lot_only',
                }, lot: $this->lotName)),
            new ScopePoint('printer', $this->printerId === $job->printerId, Sentence::of(
                $this->printerId === $job->printerId ? 'scope.printer' : 'scope.printer_only',
                printer: $this->printerName,
            )),
            new ScopePoint(
                'room',
                $job->roomC >= $this->roomLowC && $job->roomC <= $this->roomHighC,
                Sentence::of(
                    'scope.room',
                    low: Quantity::celsius($this->roomLowC),
                    high: Quantity::celsius($this->roomHighC),
                    room: Quantity::celsius($job->roomC),
                ),
            ),
            new ScopePoint(
                'enclosure',
                !$this->enclosureNeeded || $job->enclosed,
                Sentence::of($this->enclosureNeeded ? 'scope.enclosure' : 'scope.no_enclosure'),
            ),
            $this->length($job->minutes),
            new ScopePoint('parts', !$tooFull, $tooFull
                ? Sentence::of('scope.parts_beyond', parts: Quantity::count($job->partCount), most: $most)
                : Sentence::of('scope.parts', most: $most)),
        ];
    }

    private function length(?float $minutes): ScopePoint
    {
        if (null === $this->longestJobMinutes) {
            return new ScopePoint('job', false, Sentence::of('scope.no_length'));
        }
        $longest = Quantity::minutes($this->longestJobMinutes);

        return match (true) {
            null === $minutes => new ScopePoint('job', null, Sentence::of('scope.job_unsaid', longest: $longest)),
            $minutes > $this->longestJobMinutes => new ScopePoint(
                'job',
                false,
                Sentence::of('scope.job_beyond', job: Quantity::minutes($minutes), longest: $longest),
            ),
            default => new ScopePoint('job', true, Sentence::of('scope.job', longest: $longest)),
        };
    }
}
