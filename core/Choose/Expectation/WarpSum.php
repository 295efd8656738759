<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Detail\Input;
use Sitzplatz\Choose\Detail\Reckoning;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Heat\ClosedBox;
use Sitzplatz\Heat\Surroundings;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Warp\EdgeStress;
use Sitzplatz\Warp\FreeCurl;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\LiftCalibration;
use Sitzplatz\Warp\Strength;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Warp against hold for a part on a candidate. */
final readonly class WarpSum
{
    /** Layers of the test piece, whose height is not noted layer by layer, mm (common practice for the warp bar). */
    private const PIECE_LAYER_MM = 0.25;
    /** A glass transition is not known any better than this, K (half the usual range of data sheets). */
    private const LEAST_DRIVING_K = 5.0;
    /** What is less of a bar than this is a frame, whose sides are bars of their own. */
    private const LEAST_TOUCHES = 0.15;

    private function __construct(
        public float $airC,
        /** What the part cools to, mean over its height, °C. */
        public float $coolsToC,
        public float $drivingK,
        public FreeCurl $curl,
        public EdgeStress $stress,
        public Strength $strength,
        /** What heat, gap and nozzle make of the strength here. */
        public float $grip,
        public HoldMargin $margin,
        public ?LiftCalibration $calibration,
        private Candidate $candidate,
        private PartFacts $part,
    ) {
    }

    /**
     * Null without a part, for a resin, or for a part of fewer than two layers.
     *
     * @throws BadWarp if a figure cannot be
     */
    public static function of(Candidate $candidate, ?OwnStrength $own): ?self
    {
        $job = $candidate->proposal->job;
        $part = self::bar($job);
        if (null === $part) {
            return null;
        }
        $strength = $own?->strength() ?? Strength::ofGrade($candidate->hold->grade);
        $calibration = null === $own ? null : self::calibration($job->material, $own, $strength);
        [$air, $coolsTo, $driving] = self::cooling($candidate->proposal, $candidate->target, $part);
        $stress = self::stress($candidate->proposal, $part, $driving);
        $grip = Influences::grip($candidate->moved->all());

        return new self(
            $air,
            $coolsTo,
            $driving,
            self::curl($job->material, $part->spanMm, $part->heightMm, $part->layerHeightMm, $driving),
            $stress,
            $strength,
            $grip,
            HoldMargin::of($stress, $strength, $grip, $calibration),
            $calibration,
            $candidate,
            $part,
        );
    }

    /**
     * What pulls at the edges of the part of a proposal; null without a part that warps.
     *
     * @throws BadWarp if a figure cannot be
     */
    public static function stressOf(Proposal $proposal, Target $target): ?EdgeStress
    {
        $part = self::bar($proposal->job);

        return null === $part ? null : self::stress($proposal, $part, self::cooling($proposal, $target, $part)[2]);
    }

    /** What to expect at the end of the longest span, mm, where own lifts have set the scale. */
    public function expectedLiftMm(): ?float
    {
        return null === $this->calibration?->timesTheModel ? null : $this->calibration->timesTheModel * $this->curl->liftMm;
    }

    public function sentence(): Sentence
    {
        $own = $this->strength->ownPulls;
        $calibration = $this->calibration;
        $said = [
            'middle' => self::times($this->margin->middle),
            'low' => self::times($this->margin->low),
            'high' => self::times($this->margin->high),
            'outcome' => $this->margin->words(),
            'lifts' => Quantity::share($this->margin->lifts()),
            'rests' => 0 === $own ? Sentence::of('warp.rests_on_grade') : Sentence::of('warp.rests_on_pulls', pulls: Quantity::count($own)),
        ];

        return null === $calibration?->marginWhereItLifts && null !== $calibration?->heldAtMargin
            ? Sentence::of('warp.taken_down', ...$said, runs: Quantity::count($calibration->heldRuns))
            : Sentence::of('warp.said', ...$said);
    }

    public function reckoning(): Reckoning
    {
        $job = $this->candidate->proposal->job;
        $material = $job->material;
        $ofPart = Sentence::of('sum.warp.of_part');
        $own = $this->strength->ownPulls;
        $inputs = [
            new Input(
                Sentence::of(null === $material->crystallisesC ? 'sum.warp.tg' : 'sum.warp.crystallises'),
                Quantity::celsius($material->stiffensC() ?? 0, 1),
                $material->basis->words(),
            ),
            new Input(Sentence::of('sum.warp.air'), Quantity::celsius($this->airC, 1), match (true) {
                null !== $job->printer->chamberC => Sentence::of('sum.warp.air_chamber'),
                $job->printer->enclosed => Sentence::of('sum.warp.air_box', share: Quantity::number(ClosedBox::SHARE)),
                default => Sentence::of('sum.warp.air_room'),
            }),
            new Input(
                Sentence::of('sum.warp.cools_to'),
                Quantity::celsius($this->coolsToC, 1),
                Sentence::of(null === $this->candidate->target->at ? 'sum.warp.cools_to_air' : 'sum.warp.cools_to_fin'),
            ),
            new Input(
                Sentence::of('sum.warp.driving'),
                Quantity::kelvin($this->drivingK, 1),
                Sentence::of('sum.warp.driving_least', least: Quantity::kelvin(self::LEAST_DRIVING_K, 1)),
            ),
            new Input(Sentence::of('sum.warp.expansion'), Quantity::expansion($material->expansionPerK), Basis::Memory->words()),
            new Input(Sentence::of('sum.warp.modulus'), Quantity::megapascals($material->modulusMpa, 10), Basis::Memory->words()),
            new Input(
                Sentence::of('sum.warp.bar'),
                Sentence::of(
                    'sum.warp.bar_size',
                    span: Quantity::millimetres($this->part->spanMm, 0.1),
                    width: Quantity::millimetres($this->part->barWidthMm, 0.1),
                    height: Quantity::millimetres($this->part->heightMm, 0.1),
                ),
                $ofPart,
            ),
            new Input(Sentence::of('sum.warp.layer'), Quantity::millimetres($this->part->layerHeightMm), $ofPart),
            new Input(Sentence::of('sum.warp.curl'), Quantity::millimetres($this->curl->liftMm, 0.001), Sentence::of('sum.warp.curl_basis')),
            new Input(
                Sentence::of('sum.warp.footing', foothold: $this->candidate->proposal->foothold()->words()),
                Quantity::number($this->stress->footing),
                Sentence::of('sum.warp.footing_basis', contact: Quantity::squareMillimetres($this->part->contactAreaMm2)),
            ),
            new Input(
                Sentence::of('sum.warp.reach'),
                Quantity::millimetres($this->stress->reachMm, 1),
                Sentence::of(
                    'sum.warp.reach_basis',
                    gives: Quantity::number(EdgeStress::GIVES_MM_MPA),
                    counts: Quantity::millimetres($this->stress->heightMm, 0.1),
                ),
            ),
            new Input(
                Sentence::of('sum.warp.there'),
                Quantity::share($this->stress->there),
                null === $job->minutes ? Sentence::of('sum.warp.there_unknown') : Sentence::of(
                    'sum.warp.there_basis',
                    minutes: Quantity::seconds(60 * $job->minutes),
                    settles: Quantity::seconds(60 * EdgeStress::SETTLES_MINUTES),
                ),
            ),
            new Input(Sentence::of('sum.warp.pull'), Quantity::megapascals($this->margin->pullsMpa), $this->scaled()),
            new Input(
                Sentence::of('sum.warp.strength'),
                Sentence::of(
                    'sum.warp.strength_span',
                    middle: Quantity::megapascals($this->strength->middleMpa),
                    low: Quantity::megapascals($this->strength->lowMpa),
                    high: Quantity::megapascals($this->strength->highMpa),
                ),
                0 === $own
                    ? Sentence::of('sum.warp.strength_grade', grade: Sentence::of('grade.'.$this->candidate->hold->grade->value))
                    : Sentence::of('sum.warp.strength_pulls', pulls: Quantity::count($own)),
            ),
            new Input(
                Sentence::of('sum.warp.bears'),
                Quantity::megapascals($this->margin->bearsMpa),
                Sentence::of('sum.warp.bears_basis', share: Quantity::number(HoldMargin::AT_THE_EDGE), grip: Quantity::number($this->grip)),
            ),
            new Input(Sentence::of('sum.warp.lifting'), Quantity::share($this->margin->lifts()), Sentence::of('sum.warp.lifting_basis')),
        ];
        if (null !== $this->calibration?->timesTheModel) {
            $inputs[] = new Input(
                Sentence::of('sum.warp.lifts'),
                Sentence::of(
                    'sum.warp.lifts_of',
                    readings: Quantity::count($this->calibration->readings),
                    lifted: Quantity::count($this->calibration->lifted),
                    times: Quantity::times($this->calibration->timesTheModel),
                ),
                Sentence::of('sum.basis.own_runs'),
            );
        }

        return new Reckoning(
            'warp',
            Sentence::of('sum.warp.title'),
            Sentence::of(
                'sum.warp.result',
                middle: self::times($this->margin->middle),
                low: self::times($this->margin->low),
                high: self::times($this->margin->high),
            ),
            Sentence::of('sum.warp.formula'),
            $inputs,
            Sentence::of('sum.warp.source'),
        );
    }

    /** Where the scale of the pull is from. */
    private function scaled(): Sentence
    {
        $calibration = $this->calibration;

        return match (true) {
            null !== $calibration?->marginWhereItLifts => Sentence::of(
                'sum.warp.scaled_lifts',
                factor: Quantity::number($calibration->marginWhereItLifts),
                lifts: Quantity::count($calibration->lifted),
            ),
            null !== $calibration?->heldAtMargin => Sentence::of(
                'sum.warp.scaled_held',
                factor: Quantity::number($calibration->heldAtMargin),
                runs: Quantity::count($calibration->heldRuns),
            ),
            default => Sentence::of('sum.basis.sum'),
        };
    }

    public static function times(float $ratio): Phrase
    {
        return $ratio >= 100 ? Sentence::of('warp.over', times: Quantity::times(100, 1)) : Quantity::times($ratio, $ratio < 10 ? 0.1 : 1);
    }

    /** Null without a part, for a resin, or for a part of fewer than two layers. */
    private static function bar(JobRequest $job): ?PartFacts
    {
        $part = $job->part;

        return null === $part
            || null === $job->material->stiffensC()
            || $part->barWidthMm <= 0
            || $part->spanMm <= 0
            || $part->heightMm < 2 * $part->layerHeightMm ? null : $part;
    }

    /**
     * The air, what the part cools to, °C, and what drives it, K.
     *
     * @return array{float, float, float}
     */
    private static function cooling(Proposal $proposal, Target $target, PartFacts $part): array
    {
        $job = $proposal->job;
        $bedC = $proposal->surfaceLaterC($target);
        $air = $job->printer->airAroundC($job->roomC, $bedC);
        $coolsTo = Surroundings::inPart($air, $bedC, $part->spanMm, $part->barWidthMm, $part->heightMm);

        return [$air, $coolsTo, self::drivingK($job->material, $coolsTo)];
    }

    /** @throws BadWarp if a figure cannot be */
    private static function stress(Proposal $proposal, PartFacts $part, float $drivingK): EdgeStress
    {
        $material = $proposal->job->material;
        $foothold = $proposal->foothold();
        $foot = $part->contactAreaMm2 / max(1, $part->islands);

        return new EdgeStress(
            $material->expansionPerK * $drivingK,
            $part->spanMm,
            $part->barWidthMm,
            $part->heightMm,
            $material->modulusMpa,
            max(self::LEAST_TOUCHES, min(1.0, $foot / ($part->spanMm * $part->barWidthMm))),
            match ($foothold->kind) {
                FootholdKind::Brim => $foothold->mm,
                FootholdKind::Raft => PartFacts::RAFT_BEYOND_MM,
                default => 0.0,
            },
            FootholdKind::Ears === $foothold->kind ? $foothold->mm : 0.0,
            $part->sharpCorners > 0,
            $proposal->job->minutes,
        );
    }

    private static function drivingK(Material $material, float $coolsToC): float
    {
        return max(self::LEAST_DRIVING_K, ($material->stiffensC() ?? 0.0) - $coolsToC);
    }

    /** @throws BadWarp if a figure cannot be */
    private static function curl(Material $material, float $spanMm, float $heightMm, float $layerMm, float $drivingK): FreeCurl
    {
        return new FreeCurl($spanMm, max(2, (int) round($heightMm / $layerMm)), $layerMm, $material->expansionPerK, $drivingK);
    }

    /** @throws BadWarp if a figure cannot be */
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
            $stress = new EdgeStress(
                $material->expansionPerK * self::drivingK($material, $coolsTo),
                $span,
                $width,
                $piece->pullHeightMm,
                $material->modulusMpa,
                square: true,
            );
            $groups[] = [
                'readings' => $each->liftReadings,
                'lifted' => $each->lifted,
                'sumMm' => $each->liftSumMm,
                'curlMm' => $curl->liftMm,
                'margin' => HoldMargin::of($stress, $strength)->middle,
                'runs' => $each->runs,
                'held' => $each->held,
            ];
        }

        return LiftCalibration::of($groups);
    }
}
