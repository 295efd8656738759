<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Catalogue\Window;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Warp\EdgeStress;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\Strength;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What moves the grade of practice for one job, besides its length and how many parts it has, of which the shop learns by itself. A grade speaks
 * of a sound plate at its usual temperature and of a middling part; all that is shown beside it and differs from that moves the log-odds, each
 * in one direction only. Directions are common practice (trade notes, sections 5 to 11), the sizes are ours: a whole grade is
 * about two steps. Own runs overrule them.
 * Of one job: what it has reckoned once it does not reckon again.
 */
final class Influences
{
    /** What moves the grip of a pair itself, and not what is asked of it. */
    private const GRIP = ['temperature', 'gap', 'nozzle', 'agent_cool'];
    /** Strength that goes with a step of odds: that of the grades, from strong to fair 1.5 to 0.7 MPa over 2.1 steps. */
    private const STRENGTH_PER_STEP = 0.36;
    /** A foot up to this comes off a rigid plate like any other, mm² (a 100 × 100 mm base is very hard to remove). */
    private const RIGID_AREA_MM2 = 2500.0;
    /** A brim of this width leaves about a third of what a delicate part lacks, mm. */
    private const BRIM_MM = 3.0;

    /** @var array<string, EdgeStress|null> by what the part cools to, and what is laid around it */
    private array $stress = [];
    /** @var array<string, Sums> what depends on the agent, by surface, agent and temperature */
    private array $ofAgent = [];
    /** @var array<string, Sums> what depends on neither agent nor side, by surface, build and temperature */
    private array $ofSurface = [];
    /** @var array<string, Sums> what does not depend on the agent, by side */
    private array $ofSide = [];
    /** @var array<string, bool> by side */
    private array $flexes = [];

    /** @throws BadWarp if a figure cannot be */
    public function on(Proposal $proposal, Treatment $treatment, Target $target): Moved
    {
        $flexes = $this->flexes[$proposal->side->id] ??= $proposal->side->build($proposal->surface)->flexes;
        $at = $target->at ?? \NAN;
        $ofSurface = $proposal->surface->id.pack('d2C', $at, $target->wanted ?? \NAN, (int) $flexes);
        $ofAgent = $proposal->surface->id.'/'.$treatment->agentId.pack('d', $at);

        $moved = $this->ofSurface[$ofSurface] ??= Sums::of(self::whateverTheAgent($proposal, $target, $flexes));

        return new Moved(
            $moved,
            $this->ofSide[$proposal->side->id] ??= Sums::of(self::ofSide($proposal, $flexes)),
            $this->ofAgent[$ofAgent] ??= Sums::of($this->withTheAgent($proposal, $treatment, $target, $moved)),
        );
    }

    /** @param list<Influence> $influences */
    public static function grip(array $influences): float
    {
        $steps = 0.0;
        foreach ($influences as $influence) {
            $steps += \in_array($influence->id, self::GRIP, true) ? $influence->onHold : 0.0;
        }

        return exp(self::STRENGTH_PER_STEP * $steps);
    }

    /** @return list<Influence> */
    private static function whateverTheAgent(Proposal $proposal, Target $target, bool $flexes): array
    {
        $pairing = $proposal->pairing;

        return array_values(array_filter([
            self::air($proposal->job, $target),
            self::slinging($proposal),
            null === $pairing || null === $target->at ? null : self::temperature($pairing->window, $target),
            null === $pairing ? null : self::gap($proposal->job, $pairing->gapMm),
            self::nozzle($proposal),
            self::contact($proposal, $flexes),
        ]));
    }

    /**
     * @return list<Influence>
     *
     * @throws BadWarp if a figure cannot be
     */
    private function withTheAgent(Proposal $proposal, Treatment $treatment, Target $target, Sums $ofSurface): array
    {
        $of = array_values(array_filter([
            self::fullPlate($proposal->job, $treatment),
            self::delicate($proposal, $treatment),
            self::coolForAgent($proposal, $target),
        ]));
        $warp = $this->warp($proposal, $treatment, $target, [...$of, ...$ofSurface->all]);

        return null === $warp ? $of : [$warp, ...$of];
    }

    /** @return list<Influence> */
    private static function ofSide(Proposal $proposal, bool $flexes): array
    {
        $stiff = self::stiffPlate($proposal, $flexes);

        return [...(null === $stiff ? [] : [$stiff]), ...$proposal->side->state->influences($proposal->surface)];
    }

    /**
     * Where practice tells a full plate apart: what that is beyond what many parts cost anywhere, of which the shop learns by itself.
     */
    private static function fullPlate(JobRequest $job, Treatment $treatment): ?Influence
    {
        if (null === $treatment->holdFull || $job->partCount < 2) {
            return null;
        }
        $share = min(1.0, ($job->partCount - 1) / (JobRequest::FULL_PLATE - 1));
        $beyond = $share * ($treatment->holdFull->logOdds() - $treatment->hold->logOdds())
            + Spreads::PARTS[0] * log(min(JobRequest::FULL_PLATE, $job->partCount));

        return $beyond >= 0.0 ? null : new Influence(
            'full_plate',
            $beyond,
            0.0,
            Sentence::of('influence.full_plate', parts: Quantity::count($job->partCount)),
        );
    }

    /** Down to the grade for small contacts, as far as no foothold makes up for it. */
    private static function delicate(Proposal $proposal, Treatment $treatment): ?Influence
    {
        $why = $proposal->job->part->delicate ?? [];

        return [] === $why ? null : self::reckonDelicate($why, $treatment, $proposal->foothold());
    }

    /** @param list<Sentence> $delicate */
    private static function reckonDelicate(array $delicate, Treatment $treatment, Foothold $foothold): ?Influence
    {
        // An agent that is there for grip is what practice takes for such parts.
        $small = $treatment->holdSmall ?? (Grade::Strong !== $treatment->hold ? $treatment->hold->lowered(1)
            : (AgentRole::Grip === $treatment->role ? Grade::Strong : Grade::Fair));
        $left = match ($foothold->kind) {
            FootholdKind::None => 1.0,
            FootholdKind::Brim => exp(-$foothold->mm / self::BRIM_MM),
            // Ears hold ends only: they helped, but less.
            FootholdKind::Ears => exp(-$foothold->mm / (2 * self::BRIM_MM)),
            FootholdKind::Raft => exp(-2.0),
        };
        $shift = min(0.0, $left * ($small->logOdds() - $treatment->hold->logOdds()));

        return abs($shift) < 1e-9 ? null : new Influence('delicate', $shift, 0.0, Sentence::of(
            $foothold->helps() ? 'influence.delicate_helped' : 'influence.delicate',
            why: Listing::of($delicate, Joined::Semicolon),
            foothold: $foothold->words(),
        ));
    }

    /**
     * The part's own warp against the strength of this pair here: it holds if all else does and it does not lift, so the chance is
     * that of the one times that of the other.
     *
     * @param list<Influence> $others of the same setup
     *
     * @throws BadWarp if a figure cannot be
     */
    private function warp(Proposal $proposal, Treatment $treatment, Target $target, array $others): ?Influence
    {
        $foothold = $proposal->foothold();
        $later = $proposal->surfaceLaterC($target);
        $key = \sprintf('%.1f/%s/%.2f', $later ?? $proposal->job->roomC, $foothold->kind->value, $foothold->mm);
        $stress = \array_key_exists($key, $this->stress) ? $this->stress[$key] : $this->stress[$key] = WarpSum::stressOf($proposal, $target);
        if (null === $stress) {
            return null;
        }
        $grade = $treatment->holdAt(null === $target->at);
        $margin = HoldMargin::of($stress, Strength::ofGrade($grade), self::grip($others));
        $rest = exp($grade->logOdds() + array_sum(array_map(static fn (Influence $each): float => $each->onHold, $others)));

        return new Influence(
            'warp',
            -log(1 + $margin->odds() * (1 + $rest)),
            0.0,
            Sentence::of('influence.warp', times: WarpSum::times($margin->middle), outcome: $margin->words()),
        );
    }

    private static function air(JobRequest $job, Target $target): ?Influence
    {
        [$most, $warmC] = match ($job->material->enclosure) {
            Enclosure::No => [0.0, 60.0],
            Enclosure::Wanted => [1.7, 60.0],
            Enclosure::Needed => [2.4, 70.0],
        };
        $air = $job->printer->airAroundC($job->roomC, $target->at);
        $share = min(1.25, max(0.0, ($warmC - $air) / ($warmC - 20.0)));

        return $most <= 0.0 || $share <= 0.0 ? null : new Influence('air', -$most * $share, 0.0, Sentence::of(
            match (true) {
                null !== $job->printer->chamberC => 'influence.air_chamber',
                $job->printer->enclosed => 'influence.air_box',
                default => 'influence.air_open',
            },
            material: $job->material->name,
            printer: $job->printer->name,
            air: Quantity::celsius($air, 1),
            warm: Quantity::celsius($warmC, 1),
        ));
    }

    private static function slinging(Proposal $proposal): ?Influence
    {
        $tall = ($proposal->job->part?->slenderness() ?? 0.0) - PartFacts::SHAKEN;

        return !$proposal->job->printer->bedMoves || $tall <= 0.0 ? null : new Influence(
            'slinging',
            -0.25 * min(6.0, $tall),
            0.0,
            Sentence::of('influence.slinging', printer: $proposal->job->printer->name),
        );
    }

    private static function temperature(Window $window, Target $target): ?Influence
    {
        if (null === $target->at || null === $target->wanted) {
            return null;
        }
        $celsius = Axis::Celsius === $window->axis;
        // A whole window out of its exposures is as much as a whole grade.
        [$below, $above] = self::outOf(
            $window->low,
            $target->wanted,
            $window->high,
            $target->at,
            $celsius ? 0.35 : 2.0 / max(1e-9, $window->high - $window->low),
        );
        // A little more heat, or light, grips a little more, up to the end of the window.
        $more = 0.3 * min(1.0, max(0.0, $target->at - $target->wanted) / max(1e-9, $window->high - $target->wanted));
        $less = $target->at < $target->wanted;
        $scale = static fn (float $value): Quantity => $celsius ? Quantity::celsius($value, 1) : Quantity::seconds($value, 0.1);

        return abs($target->at - $target->wanted) < 0.1 ? null : new Influence($celsius ? 'temperature' : 'exposure', $below + $more, $above, Sentence::of(
            $celsius ? ($less ? 'influence.cooler' : 'influence.warmer') : ($less ? 'influence.shorter' : 'influence.longer'),
            at: $scale($target->at),
            wanted: $scale($target->wanted),
        ));
    }

    private static function coolForAgent(Proposal $proposal, Target $target): ?Influence
    {
        $gripsC = $proposal->agent?->gripsC;
        $at = $target->at ?? $proposal->job->roomC;

        return null === $gripsC || $at >= $gripsC ? null : new Influence('agent_cool', -0.15 * ($gripsC - $at), 0.0, Sentence::of(
            'influence.agent_cool',
            agent: $proposal->agentName(),
            from: Quantity::celsius($gripsC, 1),
            at: Quantity::celsius($at, 1),
        ));
    }

    /** The gap is a window of its own: nearer grips more and lets go less. */
    private static function gap(JobRequest $job, Window $window): ?Influence
    {
        // Nought and less is an offset of the machine, and says nothing of the gap.
        if (null === $job->gapMm || $job->gapMm <= 0.0 || !$job->material->filament) {
            return null;
        }
        [$near, $far] = self::outOf($window->low, $window->target, $window->high, $job->gapMm, 25.0);

        return abs($near) + abs($far) < 1e-6 ? null : new Influence('gap', $far - 0.3 * $near, $near, Sentence::of(
            $job->gapMm < $window->target ? 'influence.near_gap' : 'influence.wide_gap',
            gap: Quantity::millimetres($job->gapMm),
            usual: Quantity::millimetres($window->target),
        ));
    }

    /** A hotter first layer raises grip, by intent or by accident; too cool a one does not wet the plate. */
    private static function nozzle(Proposal $proposal): ?Influence
    {
        $usual = $proposal->job->material->nozzleC;
        $set = $proposal->job->nozzleC;
        if (null === $usual || null === $set) {
            return null;
        }
        $middle = ($usual[0] + $usual[1]) / 2;
        $off = $set - $middle;
        if (abs($off) < 0.5) {
            return null;
        }
        $tooCool = max(0.0, $usual[0] - $set);
        $hot = min(0.6, 0.02 * max(0.0, $off));

        return new Influence(
            'nozzle',
            $off > 0 ? $hot : 0.02 * $off - 0.08 * $tooCool,
            -(true === $proposal->pairing?->bonds ? 2.0 : 1.0) * $hot,
            Sentence::of($off > 0 ? 'influence.hot_nozzle' : 'influence.cool_nozzle', set: Quantity::celsius($set), usual: Quantity::celsius($middle)),
        );
    }

    /** What cannot be flexed off has to be let go by all of its foot at once. */
    private static function contact(Proposal $proposal, bool $flexes): ?Influence
    {
        $part = $proposal->job->part;
        if (null === $part || $flexes) {
            return null;
        }
        // A brim is thin, bends and is peeled after; it is not the part that has to come off.
        $area = $part->contactAreaMm2;

        return new Influence('contact', 0.0, -0.45 * log(1 + $area / self::RIGID_AREA_MM2, 2), Sentence::of(
            'influence.contact',
            area: Quantity::squareMillimetres($area),
        ));
    }

    private static function stiffPlate(Proposal $proposal, bool $flexes): ?Influence
    {
        return $proposal->surface->flexes && !$flexes
            ? new Influence('stiff_plate', 0.0, -0.7, Sentence::of('influence.stiff_plate', plate: $proposal->side->label)) : null;
    }

    /**
     * Below and above the middle of a window: gently up to its end, steeply beyond.
     *
     * @return array{float, float} below, above; nought or less
     */
    private static function outOf(float $low, float $middle, float $high, float $at, float $beyondPerUnit): array
    {
        $below = $middle - $at;
        $above = $at - $middle;
        $down = static fn (float $by, float $span, float $atTheEnd): float => $by <= 0.0 ? 0.0 : -$atTheEnd * ($span > 1e-9 ? min(1.0, $by / $span) ** 2 : 0.0)
            - $beyondPerUnit * max(0.0, $by - $span);

        return [$down($below, $middle - $low, 0.8), $down($above, $high - $middle, 0.5)];
    }
}
