<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Window;
use Sitzplatz\Choose\Gate\Stop;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Where on its window a setup is run: the surface temperature aimed at and what the display has to show for it, or the
 * exposure of a resin. A limit that bites lowers the target as far as the window allows.
 */
final readonly class Target
{
    /** A room below this is cold, °C (common practice). */
    public const COLD_ROOM_C = 18.0;
    /** What a cold room adds to the bed, K (common practice). */
    public const COLD_ROOM_ADDS_K = 5.0;
    /** So near a limit or an end of the window nobody can set it anyway, K. */
    private const NEAR_K = 0.5;
    /** What arithmetic may be off, K. */
    private const NOTHING_K = 1e-6;
    /** Exposures that nobody tells apart, s. */
    private const NEAR_S = 0.05;

    /** @param list<Sentence> $reasons */
    private function __construct(
        /** °C at the surface, or s; null: the bed is unheated and has the room's temperature. */
        public ?float $at,
        /** What the display has to show, °C; null: unheated, or a resin. */
        public ?float $displayC,
        public array $reasons,
        /** Why it cannot be had at all. */
        public ?Sentence $refusal,
        /** Somebody set the display by hand. */
        public bool $byHand = false,
        /** What the pair would have in this room, on the same scale; null: unheated. */
        public ?float $wanted = null,
    ) {
    }

    /**
     * @param list<Stop> $stops on the display or surface scale, nearest first
     * @param bool       $off   the heater is left off, where practice knows the pair cold
     * @param float|null $fromC what an agent needs at least, °C at the surface
     */
    public static function of(JobRequest $job, Pairing $pairing, array $stops, ?Stack $stack, bool $off = false, ?float $fromC = null): self
    {
        $window = $pairing->window;
        if (Axis::Seconds === $window->axis) {
            return new self($window->target, null, [], null, wanted: $window->target);
        }
        if ($off) {
            return new self(null, null, [Sentence::of('target.off', room: Quantity::celsius($job->roomC))], null);
        }
        if (null === $job->printer->maxBedC) {
            return new self(null, null, [Sentence::of('target.no_heater', printer: $job->printer->name, room: Quantity::celsius($job->roomC))], null);
        }
        if (null !== $job->bedC) {
            return self::byHand($job, $job->bedC, $window, $stops, $stack);
        }
        $wanted = max(self::wantedC($job, $window), min($fromC ?? 0.0, $window->high));
        $reasons = [];
        $at = $wanted;
        $bites = null;
        foreach ($stops as $stop) {
            $most = $stop->onSurface || null === $stack ? $stop->atC : self::surfaceAt($stack, $stop->atC, $at, $job->airC());
            if ($most < $at) {
                [$at, $bites] = [$most, $stop];
            }
        }
        if ($at < $window->low - self::NEAR_K && null !== $bites) {
            return new self(
                $at,
                null,
                [],
                Sentence::of(
                    'target.out_of_reach',
                    low: Quantity::celsius($window->low),
                    usual: Quantity::celsius($window->target),
                    stop: $bites->label(),
                    at: Quantity::celsius($bites->atC),
                ),
            );
        }
        if (null !== $bites && $at < $window->target - self::NEAR_K) {
            $reasons[] = Sentence::of(
                'target.lowered',
                set: Quantity::celsius($at, 1),
                usual: Quantity::celsius($window->target),
                stop: $bites->label(),
                at: Quantity::celsius($bites->atC),
            );
        } elseif (null !== $fromC && $at > self::wantedC($job, $window) + self::NEAR_K) {
            $reasons[] = Sentence::of('target.agent_grips', set: Quantity::celsius($at, 1), from: Quantity::celsius($fromC, 1));
        } elseif ($at > $window->target + self::NEAR_K) {
            $reasons[] = Sentence::of(
                'target.cold_room',
                room: Quantity::celsius($job->roomC),
                more: Quantity::kelvin($at - $window->target),
                usual: Quantity::celsius($window->target),
            );
        }
        // What is set is a whole degree, and never past a limit.
        $display = null === $stack ? $at : $stack->displayFor($at, $job->airC());
        $display = round($display);
        foreach ($stops as $stop) {
            $most = $stop->onSurface && null !== $stack ? $stack->displayFor($stop->atC, $job->airC()) : $stop->atC;
            $display = min($display, floor($most + self::NOTHING_K));
        }

        return new self($at, $display, $reasons, null, wanted: $wanted);
    }

    /** What is set for a material: °C on the display of a filament, s of a resin; null: unheated. */
    public function setting(Material $material): ?float
    {
        return $material->filament ? $this->displayC : $this->at;
    }

    /** A resin at the exposure that was proven here, beside what practice has. */
    public function exposed(float $seconds): self
    {
        $differs = null !== $this->at && abs($seconds - $this->at) >= self::NEAR_S;

        return new self($seconds, null, [...($differs ? [Sentence::of(
            'target.proven',
            set: Quantity::seconds($seconds, 0.1),
            usual: Quantity::seconds($this->at ?? 0.0, 0.1),
        )] : []), ...$this->reasons], null, false, $this->wanted);
    }

    /** As what was printed often here, beside what practice sets. */
    public function asOften(self $usual): self
    {
        $scale = static fn (float $value): Quantity => null === $usual->displayC ? Quantity::seconds($value, 0.1) : Quantity::celsius($value);

        return new self($this->at, $this->displayC, [Sentence::of(
            'target.often',
            set: $scale($this->displayC ?? $this->at ?? 0.0),
            usual: $scale($usual->displayC ?? $usual->at ?? 0.0),
        )], null, false, $this->wanted);
    }

    /** As what was proven here, beside what would be reckoned. */
    public function asProven(?self $reckoned): self
    {
        $differs = null !== $this->displayC && null !== $reckoned?->displayC && abs($this->displayC - $reckoned->displayC) >= 0.5;

        return new self($this->at, $this->displayC, [...($differs ? [Sentence::of(
            'target.proven',
            set: Quantity::celsius($this->displayC),
            usual: Quantity::celsius($reckoned->displayC),
        )] : []), ...$this->reasons], null, false, $this->wanted);
    }

    /**
     * Which limit a display setting would pass. A limit of the surface is held against what the surface reaches, the
     * others against what the display shows.
     *
     * @param list<Stop> $stops
     */
    public static function limits(JobRequest $job, float $displayC, array $stops, ?Stack $stack): ?Sentence
    {
        $at = null === $stack ? $displayC : $stack->surfaceAt($displayC, $job->airC());
        foreach ($stops as $stop) {
            if (($stop->onSurface ? $at : $displayC) > $stop->atC + self::NOTHING_K) {
                return Sentence::of('target.too_hot', set: Quantity::celsius($displayC), stop: $stop->label(), at: Quantity::celsius($stop->atC));
            }
        }

        return null;
    }

    /** @param list<Stop> $stops */
    private static function byHand(JobRequest $job, float $displayC, Window $window, array $stops, ?Stack $stack): self
    {
        $at = null === $stack ? $displayC : $stack->surfaceAt($displayC, $job->airC());
        $refusal = self::limits($job, $displayC, $stops, $stack);
        if (null !== $refusal) {
            return new self($at, $displayC, [], $refusal, true);
        }
        $reasons = match (true) {
            $at < $window->low => [Sentence::of(
                'target.below_window',
                set: Quantity::celsius($displayC),
                low: Quantity::celsius($window->low),
                high: Quantity::celsius($window->high),
            )],
            $at > $window->high => [Sentence::of(
                'target.above_window',
                set: Quantity::celsius($displayC),
                low: Quantity::celsius($window->low),
                high: Quantity::celsius($window->high),
            )],
            default => [],
        };

        return new self($at, $displayC, $reasons, null, true, self::wantedC($job, $window));
    }

    /** In a cold room the bed gets more, as far as the window goes. */
    private static function wantedC(JobRequest $job, Window $window): float
    {
        return $job->roomC < self::COLD_ROOM_C ? min($window->target + self::COLD_ROOM_ADDS_K, $window->high) : $window->target;
    }

    /** The inverse is only asked for where it can bite. */
    private static function surfaceAt(Stack $stack, float $displayC, float $wantedC, float $roomC): float
    {
        return $stack->displayFor($wantedC, $roomC) <= $displayC ? \INF : $stack->surfaceAt($displayC, $roomC);
    }
}
