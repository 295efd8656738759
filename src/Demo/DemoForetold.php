<?php

declare(strict_types=1);

namespace App\Demo;

use App\Choose\Question;
use App\Choose\Questions;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Sitzplatz\Choose\Expectation\Influence;
use Sitzplatz\Choose\Expectation\Sums;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\LogLine;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** What was said of the prints of the demo's year when each began, by what was known then. */
final class DemoForetold
{
    /** Prints after which it learns again. */
    private const EVERY = 10;

    /** @var array<int, array{Candidate, HeatUse|null}|null> by recipe */
    private array $asked = [];

    public function __construct(private readonly Questions $questions)
    {
    }

    /**
     * @param list<array<string, mixed>> $recipes
     * @param list<DemoPrint>            $prints  the oldest first
     */
    public function through(array $recipes, array $prints, DemoShop $shop): DemoSaid
    {
        $lines = $of = [];
        foreach ($prints as $i => $print) {
            $recipe = $recipes[$print->recipe];
            if (!\array_key_exists($print->recipe, $this->asked)) {
                $this->asked[$print->recipe] = $this->ask($recipe, $shop);
            }
            $asked = $this->asked[$print->recipe];
            if (null !== $asked) {
                $of[$i] = \count($lines);
                $lines[] = self::line($print, $recipe, $asked[0]);
            }
        }
        $held = Retrospect::through($lines, Success::Held, self::EVERY);

        $released = Retrospect::through($lines, Success::Released, self::EVERY);
        $running = array_map(static fn (float $one, float $other): float => $one * $other, $held->running(), $released->running());

        return new DemoSaid($of, $held->times($released), $running);
    }

    /** @return array{Candidate, HeatUse|null}|null what Choose says of a recipe; null: nothing */
    public function of(int $recipe): ?array
    {
        return $this->asked[$recipe] ?? null;
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array{Candidate, HeatUse|null}|null
     */
    public function ask(array $recipe, DemoShop $shop, int $parts = 1, ?float $minutes = null): ?array
    {
        $question = $this->question($shop->printers[$recipe['printer']], $recipe, $parts, $minutes);
        $side = $shop->sides[$recipe['side']];
        $agent = null === $recipe['agent'] ? null : $shop->agents[$recipe['agent']];
        $ranking = $question->ranking(null);
        foreach ($ranking->candidates as $candidate) {
            if (self::is($candidate, $side, $agent)) {
                return [$candidate, $ranking->heatUse($candidate)];
            }
        }

        return null;
    }

    private static function is(Candidate $candidate, PlateSide $side, ?AgentStock $agent): bool
    {
        return $candidate->proposal->side->id === $side->id->toRfc4122() && $candidate->proposal->agent?->id === $agent?->kindId;
    }

    /** @param array<string, mixed> $recipe */
    private function question(Printer $printer, array $recipe, int $parts, ?float $minutes): Question
    {
        return $this->questions->of([
            'materialId' => $recipe['material'],
            'printerId' => $printer->id->toRfc4122(),
            'lotId' => null,
            'roomC' => 20,
            'partCount' => $parts,
            'jobMinutes' => $minutes,
            'bedC' => $recipe['bed'][0] ?? null,
        ]);
    }

    /** @param array<string, mixed> $recipe */
    private static function line(DemoPrint $print, array $recipe, Candidate $candidate): LogLine
    {
        $proposal = $candidate->proposal;
        $treatment = $candidate->treatment;
        $material = $proposal->job->material->id;
        $levels = Levels::ofJob($material, $recipe['printer'], (string) $print->changed, $print->lot, Levels::USE)
            + Levels::ofSurface($proposal->surface->id)
            + Levels::ofSide($material, $recipe['side'], $recipe['side'].$print->sheet)
            + Levels::ofTreatment($material, $proposal->surface->id, $treatment->agentId, $treatment->basis->isOnlyTheMakers());
        $measures = self::measures($print, $candidate);
        $held = $print->answer->outcome->held();
        $release = RunOutcomes::cameOff($print->answer->effort, $print->answer->damaged);

        return new LogLine(
            '',
            -$print->day,
            Situation::ofMade(Success::Held, $candidate->hold->grade, $measures, $print->parts, $print->minutes, $levels),
            Situation::ofMade(Success::Released, $treatment->release, $measures, $print->parts, $print->minutes, $levels),
            implode("\0", [$material, $recipe['side'], $treatment->agentId]),
            $held,
            $held && RunOutcome::Unsaid !== $release ? RunOutcome::Passed === $release : null,
        );
    }

    /** @return array<string, float> those of the side as it was then */
    public static function measures(DemoPrint $print, Candidate $candidate): array
    {
        $surface = $candidate->proposal->surface;
        $influences = static fn (SideState $state): array => $state->influences($surface);
        $today = array_column($influences($candidate->proposal->side->state), 'id');
        $then = $influences(new SideState(printsOnSurface: $print->onSheet - 1, damages: $print->damages, changesSince: $print->changesSince));
        $other = array_filter($candidate->moved->all(), static fn (Influence $each): bool => !\in_array($each->id, $today, true));

        return Sums::of([...$other, ...$then])->measures();
    }
}
