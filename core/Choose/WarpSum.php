<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Warp\FreeCurl;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\LiftCalibration;
use Sitzplatz\Warp\PeelDemand;
use Sitzplatz\Warp\Strength;
use Sitzplatz\Warp\Surroundings;

/** Warp against hold for a part on a candidate. */
final readonly class WarpSum
{
    /** Layers of the test piece, whose height is not noted layer by layer, mm (common practice for the warp bar). */
    private const PIECE_LAYER_MM = 0.25;
    /** A glass transition is not known any better than this, K (half the usual range of data sheets). */
    private const LEAST_DRIVING_K = 5.0;

    private function __construct(
        public float $airC,
        /** What the part cools to, mean over its height, °C. */
        public float $coolsToC,
        public float $drivingK,
        public FreeCurl $curl,
        public PeelDemand $demand,
        public Strength $strength,
        public HoldMargin $margin,
        public ?LiftCalibration $calibration,
        private Candidate $candidate,
        private PartFacts $part,
    ) {
    }

    /** Null without a part, for a resin, or for a part of fewer than two layers. */
    public static function of(Candidate $candidate, ?OwnStrength $own): ?self
    {
        $job = $candidate->proposal->job;
        $part = $job->part;
        if (null === $part || null === $job->material->stiffensC() || $part->barWidthMm <= 0 || $part->spanMm <= 0 || $part->heightMm < 2 * $part->layerHeightMm) {
            return null;
        }
        $air = Surroundings::celsius($job->roomC, $candidate->target->at, $job->printer->enclosed, $job->printer->chamberC);
        $coolsTo = Surroundings::inPart($air, $candidate->target->at, $part->spanMm, $part->barWidthMm, $part->heightMm);
        $driving = self::drivingK($job->material, $coolsTo);
        $curl = self::curl($job->material, $part->spanMm, $part->heightMm, $part->layerHeightMm, $driving);
        $demand = new PeelDemand($curl, $part->barWidthMm, $part->heightMm, $job->material->modulusMpa);
        $strength = $own?->strength() ?? Strength::ofGrade($candidate->hold->grade);
        $foothold = $candidate->proposal->foothold();
        $extra = match ($foothold->kind) {
            FootholdKind::Brim => HoldMargin::brimAtEndMm2($foothold->mm, $part->barWidthMm, $demand->stretchMm),
            FootholdKind::Ears => HoldMargin::earAtEndMm2($foothold->mm),
            FootholdKind::Raft => HoldMargin::brimAtEndMm2(3, $part->barWidthMm, $demand->stretchMm),
            FootholdKind::None => 0.0,
        };
        $calibration = null === $own ? null : self::calibration($job->material, $own, $strength);

        return new self(
            $air,
            $coolsTo,
            $driving,
            $curl,
            $demand,
            $strength,
            HoldMargin::of($demand, $part->barWidthMm, $strength, $extra, $calibration),
            $calibration,
            $candidate,
            $part,
        );
    }

    /** What to expect at the end of the longest span, mm, where own lifts have set the scale. */
    public function expectedLiftMm(): ?float
    {
        return null === $this->calibration?->timesTheModel ? null : $this->calibration->timesTheModel * $this->curl->liftMm;
    }

    public function sentence(): string
    {
        $span = \sprintf('%s (between %s and %s)', self::times($this->margin->middle), self::times($this->margin->low), self::times($this->margin->high));
        $rests = 0 === $this->strength->ownPulls ? 'The strength is only the grade of practice' : \sprintf('The strength is that of your %d hot pulls', $this->strength->ownPulls);

        $held = null === $this->calibration?->marginWhereItLifts && null !== $this->calibration?->heldAtMargin
            ? \sprintf(' %d own runs held where the sum alone would have had them lift, so it is taken down to what they show.', $this->calibration->heldRuns) : '';

        return \sprintf('Holding force at the end of the longest span is %s the pull of warping: it %s. %s; this sum is rough.%s', $span, $this->margin->words(), $rests, $held);
    }

    public function reckoning(): Reckoning
    {
        $job = $this->candidate->proposal->job;
        $material = $job->material;
        $n = static fn (float $value, int $digits = 2): string => number_format($value, $digits, '.', ' ');
        $inputs = [
            new Input(null === $material->crystallisesC ? 'Glass transition Tg' : 'Tg: where it crystallises, as it shrinks from there', $n($material->stiffensC() ?? 0, 0).' °C', $material->basis->words()),
            new Input('Air around the part', $n($this->airC, 0).' °C', null !== $job->printer->chamberC ? 'chamber of the printer' : ($job->printer->enclosed ? 'closed box: 0.35 of the way from room to bed (memory)' : 'the room')),
            new Input('Temperature the part cools to, Te', $n($this->coolsToC, 0).' °C', null === $this->candidate->target->at ? 'the air' : 'warmed from the bed as a fin: air + (bed − air)·tanh(mH) ÷ (mH), Incropera & DeWitt ch. 3 (memory)'),
            new Input('Driving difference Tg − Te', $n($this->drivingK, 0).' K', \sprintf('at least %.0f K: Tg is not known any better', self::LEAST_DRIVING_K)),
            new Input('Expansion α', $n($material->expansionPerK * 1e6, 0).'e-6 /K', Basis::Memory->words()),
            new Input('Modulus E', $n($material->modulusMpa / 1000).' GPa', Basis::Memory->words()),
            new Input('Longest span L × width b × height', \sprintf('%s × %s × %s mm', $n($this->part->spanMm, 1), $n($this->part->barWidthMm, 1), $n($this->part->heightMm, 1)), 'the part'),
            new Input('Layer height Δh', $n($this->part->layerHeightMm).' mm', 'the part'),
            new Input('Free curl of the span', $n($this->curl->liftMm, 3).' mm', 'Wang, Xi & Jin 2007; a drive to compare by, not a lift to expect'),
            new Input('Stretch that pulls up at an end', $n($this->demand->stretchMm, 1).' mm', 'Hetényi 1946, foot that gives way 0.2 mm (ours)'),
            new Input('Pull over it', $n($this->margin->demandN, 1).' N', $this->scaled()),
            new Input('Strength', \sprintf('%s MPa (%s to %s)', $n($this->strength->middleMpa), $n($this->strength->lowMpa), $n($this->strength->highMpa)), 0 === $this->strength->ownPulls ? \sprintf('grade "%s" of practice, memory', $this->candidate->hold->grade->value) : $this->strength->ownPulls.' own hot pulls, and where a further one falls with 95 %; stress at the edge 6·F·h ÷ (b·L²), or F ÷ A where that is more'),
            new Input('Contact at the end, with '.$this->candidate->proposal->foothold()->words(), $n($this->margin->endAreaMm2, 0).' mm²', 'the part'),
        ];
        if (null !== $this->calibration?->timesTheModel) {
            $inputs[] = new Input('Own lift readings', \sprintf('%d, %d of them lifted; %s × the free curl', $this->calibration->readings, $this->calibration->lifted, $n($this->calibration->timesTheModel, 1)), 'own runs');
        }

        return new Reckoning(
            'warp',
            'Warp against hold',
            \sprintf('%s, between %s and %s', self::times($this->margin->middle), self::times($this->margin->low), self::times($this->margin->high)),
            'margin = strength × contact at the end ÷ pull; pull = 2·M·β·e^(−π/4)·sin(π/4), M = E·I·κ, κ = 6·α·(Tg − Te)·(n − 1) ÷ (n³·Δh), β = (k·b ÷ 4·E·I)^¼',
            $inputs,
            'Wang, Xi & Jin 2007; Hetényi 1946 (both from memory). Rough by a factor of 2 either way on top of the span of the strength; once own lifts set the scale, of 1.5.',
        );
    }

    /** Where the scale of the pull is from. */
    private function scaled(): string
    {
        $calibration = $this->calibration;

        return match (true) {
            null !== $calibration?->marginWhereItLifts => \sprintf('the sum × %.2f, as %d own lifts began there', $calibration->marginWhereItLifts, $calibration->lifted),
            null !== $calibration?->heldAtMargin => \sprintf('the sum × %.2f, as %d own runs held there', $calibration->heldAtMargin, $calibration->heldRuns),
            default => 'the sum',
        };
    }

    private static function times(float $ratio): string
    {
        return $ratio >= 100 ? 'over 100 ×' : number_format($ratio, $ratio < 10 ? 1 : 0, '.', '').' ×';
    }

    private static function drivingK(Material $material, float $coolsToC): float
    {
        return max(self::LEAST_DRIVING_K, ($material->stiffensC() ?? 0.0) - $coolsToC);
    }

    private static function curl(Material $material, float $spanMm, float $heightMm, float $layerMm, float $drivingK): FreeCurl
    {
        return new FreeCurl($spanMm, max(2, (int) round($heightMm / $layerMm)), $layerMm, $material->expansionPerK, $drivingK);
    }

    private static function calibration(Material $material, OwnStrength $own, Strength $strength): ?LiftCalibration
    {
        $groups = [];
        foreach ($own->pieces as $each) {
            $piece = $each->piece;
            $span = max($piece->alongPullMm, $piece->acrossPullMm);
            $width = min($piece->alongPullMm, $piece->acrossPullMm);
            if ($width <= 0 || $piece->pullHeightMm <= 0) {
                continue;
            }
            $air = Surroundings::celsius($each->roomC, $each->bedC, $each->enclosed, null);
            $coolsTo = Surroundings::inPart($air, $each->bedC, $span, $width, $piece->pullHeightMm);
            // The height of the pull is about that of the piece.
            $curl = self::curl($material, $span, $piece->pullHeightMm, self::PIECE_LAYER_MM, self::drivingK($material, $coolsTo));
            $demand = new PeelDemand($curl, $width, $piece->pullHeightMm, $material->modulusMpa);
            $groups[] = [
                'readings' => $each->liftReadings,
                'lifted' => $each->lifted,
                'sumMm' => $each->liftSumMm,
                'curlMm' => $curl->liftMm,
                'margin' => HoldMargin::of($demand, $width, $strength)->middle,
                'runs' => $each->runs,
                'held' => $each->held,
            ];
        }

        return LiftCalibration::of($groups);
    }
}
