<?php

declare(strict_types=1);

namespace App\Demo;

use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;

/**
 * The hidden truth of the demo's year: what it prints, and how that comes out. It knows nothing of what is expected of a print, and follows another
 * law: a part comes loose by a hazard that runs on with time and parts, by lots, by the season, by days that are better and worse, and by what happened
 * to a printer, of which nobody is told.
 */
final class DemoTruth
{
    private const MONTH_DAYS = 30.4;
    /** Prints between two washes. */
    private const WASH = [6, 10];
    /** On sheets that wear: how much the hazard grows with each print beyond. */
    private const WEAR = 0.02;
    /** What a recipe's chances are those of. */
    private const USUAL_MINUTES = 150;
    private const USUAL_PARTS = 2;
    /** Spreads of hazards, on logarithms. */
    private const LOTS = 0.5;
    private const DAYS = 0.5;
    private const SEASON = 0.5;
    /** After a crash, until somebody sees to it. */
    private const CRASHED = 2.0;
    private const CRASHED_DAYS = 60;

    private readonly Draws $draws;
    /** @var array<string, float> */
    private array $ofLots = [];
    /** @var array<int, float> */
    private array $ofDays = [];

    private function __construct(int $seed)
    {
        $this->draws = new Draws($seed);
    }

    /**
     * @param array<string, mixed> $year as demo/year.yaml has it
     *
     * @return list<DemoPrint> the oldest first
     */
    public static function draw(array $year, int $seed): array
    {
        return (new self($seed))->prints($year);
    }

    /**
     * @param array<string, mixed> $year
     *
     * @return list<DemoPrint>
     */
    private function prints(array $year): array
    {
        $planned = [];
        foreach ($year['recipes'] as $i => $recipe) {
            [$from, $until] = $recipe['days'];
            for ($left = (int) round(($from - $until) / self::MONTH_DAYS * $recipe['perMonth']); $left > 0; --$left) {
                $planned[] = [$until + ($from - $until) * $this->draws->chance(), $i];
            }
        }
        rsort($planned);
        $laid = array_column($year['sheets'], 'days', 'side');
        $onSheet = $damages = $heldOn = $careIn = $prints = [];
        foreach ($planned as [$day, $i]) {
            $recipe = $year['recipes'][$i];
            $sheet = isset($laid[$recipe['side']]) && $day < $laid[$recipe['side']] ? 1 : 0;
            $on = $onSheet[$recipe['side']][$sheet] = ($onSheet[$recipe['side']][$sheet] ?? 0) + 1;
            $lots = array_values(array_filter($recipe['lots'], static fn (array $lot): bool => $day <= $lot[1]));
            [$lot] = [] === $lots ? $recipe['lots'][0] : $lots[\count($lots) - 1];
            $changes = array_filter($year['changes'], static fn (array $change): bool => $change['printer'] === $recipe['printer'] && $change['days'] > $day);
            $parts = $this->draws->between(...$recipe['parts']);
            $minutes = $this->draws->between(...$recipe['minutes']);
            $answer = $this->outcome($recipe, $day, $parts, $minutes, $lot, $on, $changes);
            $seat = $recipe['side'].$sheet;
            $prints[] = new DemoPrint(
                $i,
                $day,
                $parts,
                $minutes,
                $lot,
                $sheet,
                $on,
                $damages[$seat] ?? 0,
                \count(array_filter($changes, static fn (array $change): bool => $change['days'] < ($heldOn[$seat] ?? 0.0))),
                [] === $changes ? null : (float) min(array_column($changes, 'days')),
                $this->care($careIn, $i, null !== $recipe['agent']),
                $answer,
            );
            $damages[$seat] = ($damages[$seat] ?? 0) + (int) $answer->damaged;
            $heldOn[$seat] = $answer->outcome->held() ? $day : $heldOn[$seat] ?? 0.0;
        }

        return $prints;
    }

    /**
     * @param array<int, array{int, int}> $in prints until the side of a recipe is washed and coated anew
     *
     * @return list<string>
     */
    private function care(array &$in, int $recipe, bool $coated): array
    {
        [$washIn, $coatIn] = $in[$recipe] ?? [$this->draws->between(...self::WASH), 0];
        $care = [];
        if ($coated && $coatIn <= 0) {
            $care = ['wash', 'coat'];
            $coatIn = $washIn = $this->draws->between(...self::WASH);
        } elseif ($washIn <= 0) {
            $care = ['wash'];
            $washIn = $this->draws->between(...self::WASH);
        } elseif (!$coated && $this->draws->chance() < 0.25) {
            $care = ['wipe'];
        }
        $in[$recipe] = [$washIn - 1, $coatIn - 1];

        return $care;
    }

    /**
     * @param array<string, mixed>        $recipe
     * @param array<array<string, mixed>> $changes of its printer before
     */
    private function outcome(array $recipe, float $day, int $parts, int $minutes, string $lot, int $onSheet, array $changes): JobAnswer
    {
        $hold = isset($recipe['drifts']) && $day < $recipe['drifts']['days'] ? $recipe['drifts']['to'] : $recipe['hold'];
        $of = ($this->ofLots[$recipe['material'].$lot] ??= self::LOTS * $this->draws->normal())
            + ($this->ofDays[(int) $day] ??= self::DAYS * $this->draws->normal())
            + self::SEASON * sin(2 * \M_PI * $day / 365) + self::WEAR * max(0, $onSheet - ($recipe['wearsFrom'] ?? \PHP_INT_MAX));
        foreach ($changes as $change) {
            $of += 'crash' === $change['kind'] && $change['days'] - $day < self::CRASHED_DAYS ? log(self::CRASHED) : 0.0;
        }
        $hazard = -log($hold) * ($minutes / self::USUAL_MINUTES) ** 0.5 * ($parts / self::USUAL_PARTS) ** 0.6 * exp($of);
        if ($this->draws->chance() >= exp(-$hazard)) {
            $outcome = $this->draws->chance() < 0.6 ? Outcome::Lifted : Outcome::CameOff;

            return new JobAnswer($outcome, $outcome->pullPossible() ? Effort::Finger : null, false, round($minutes * (0.2 + 0.8 * $this->draws->chance())));
        }
        $clean = $this->draws->chance() < exp(log($recipe['letGo']) * ($parts / self::USUAL_PARTS) ** 0.4 * exp(self::DAYS * $this->draws->normal()));
        $effort = $clean ? [Effort::Loose, Effort::Finger, Effort::Finger, Effort::Flex][$this->draws->between(0, 3)] : Effort::Scraper;

        return new JobAnswer(Outcome::Held, $effort, !$clean && $this->draws->chance() < 0.25, (float) $minutes);
    }
}
