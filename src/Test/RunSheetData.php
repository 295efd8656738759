<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Plate;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlatePlaces;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunSheet;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\SheetStep;
use Sitzplatz\Test\Steps;
use Sitzplatz\Test\UsualReadings;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** The sheet of a run as the API shows it. */
final readonly class RunSheetData
{
    private const BEFORE_PRINT = [RunStep::Prepare->value, RunStep::HeatAndSoak->value, RunStep::Print->value];

    public function __construct(
        private EntityManagerInterface $entities,
        private RunRepository $runs,
        private RunBook $book,
        private ShopCatalogue $shop,
        private StripData $strip,
        private SetupDial $dial,
        private SetupCooling $cooling,
        private CoolingWatch $watch,
        private Now $now,
        private Steps $steps,
        private CurrentUser $current,
        private SetupRisks $risks,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Run $run): array
    {
        $comparison = $run->comparison;
        $setup = $run->setup;
        $catalogue = $this->shop->get();
        $material = $catalogue->material($setup->materialId);
        $surface = $catalogue->surface($setup->fitting->surfaceId);
        $pairing = $catalogue->pairing($material->id, $surface->id);
        $agent = null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId);
        $gcode = $comparison->constants['gcodeName'];
        $print = $comparison->coatStays() ? $this->runs->printOnCoat($run) : null;
        $sheet = new RunSheet(
            $setup->side->label(),
            $surface->name,
            \is_string($comparison->constants['cleaning'] ?? null) && '' !== $comparison->constants['cleaning']
                ? Sentence::of('sheet.clean.constant', cleaning: $comparison->constants['cleaning'], how: $surface->cleaning)
                : $surface->cleaning,
            $setup->agent?->name,
            $agent?->putOn,
            $agent?->hazard,
            $setup->bedFirstC,
            $setup->nozzleFirstC,
            \is_string($gcode) ? $gcode : '',
            $pairing?->releaseWithC($agent),
            (float) $comparison->durations['heatAndSoakMinutes'],
            $material->fumes,
            $run->plateChange,
            [...$surface->cautions, ...($pairing->cautions ?? [])],
            $setup->bedOtherC,
            $comparison->taken(),
            $setup->side->facts($catalogue)->build($surface),
            $this->dial->ofSetup($setup)?->words(),
            Enclosure::Needed === $material->enclosure,
            $material->filament,
            $setup->own(),
            $setup->lot === $comparison->lot ? null : $setup->lot->label,
            $run->status->open() ? $this->cooling->seconds($setup) : null,
            null === $print ? null : $print['print'],
            true === ($print['goesOn'] ?? null),
            $run->parts->count(),
            $comparison->runDurations()->printMinutes,
            $this->watch->showsNow($run),
            $run->spot,
            $this->risks->cautions($setup),
            $run->plateChange ? $this->gluedBelow($setup) : null,
            $comparison->printer->boardHeater,
        );
        $state = $this->book->state($run, $this->now->time());
        $sequence = $state->sequence();
        $asked = $state->printAskedMinutes();
        $stand = [];
        foreach ($run->part()->standing as $each) {
            $stand[$each->reading->id->toRfc4122()] = true;
        }

        return [
            'run' => $run->toArray(),
            'comparison' => [
                'id' => $comparison->id->toRfc4122(),
                'title' => $comparison->title,
                'measures' => $comparison->proof['measures'],
                'pullLimitN' => PullKind::Hot === $run->pull && !$setup->takenHot
                    ? $comparison->plan()->limits->hotPullAtLeastN
                    : $comparison->plan()->limits->coldPullAtMostN,
                'status' => $comparison->status->value,
                'materialId' => $setup->materialId,
                'lotLabel' => $setup->lot->label,
                'printerName' => $comparison->printer->name,
            ],
            'setup' => $setup->toArray(),
            'strip' => $this->strip->ofSetup($setup),
            'dial' => $this->dial->ofSetup($setup)?->toArray(),
            'steps' => self::keys($sequence),
            'sheet' => array_map($sheet->at(...), $sequence),
            'usual' => array_map(
                static fn (array $range): array => ['from' => $range[0], 'to' => $range[1]],
                UsualReadings::of(
                    $comparison->plan()->limits,
                    null === $setup->bedFirstC ? null : max($setup->bedFirstC, $setup->bedOtherC ?? $setup->bedFirstC),
                    $run->roomC,
                    $comparison->runDurations()->printMinutes,
                    PullKind::Cold === $run->pull ? $this->runs->coldUpToC($setup) : null,
                ),
            ),
            'stepsByOutcome' => $this->stepsByOutcome($run),
            'plate' => self::map($run->setup->side->plate, $run->parts->count(), null === $run->spot ? [] : [$run->spot]),
            'marks' => array_map(static fn (PlateMark $mark): array => $mark->toArray(), $this->runs->marksOf($run)),
            'file' => self::file($run),
            'flags' => $this->flags($run),
            'photos' => array_map(static fn (RunPhoto $photo): array => $photo->toArray(), $this->runs->photosOf($run)),
            'readings' => array_map(
                static fn (StoredReading $reading): array => [...$reading->toArray(), 'stands' => isset($stand[$reading->id->toRfc4122()])],
                $this->runs->readings($run),
            ),
            'missing' => $run->status->open() ? self::measures($state->missing()) : [],
            'missingByOutcome' => array_map(
                static fn (Outcome $outcome): array => $run->status->open() ? self::measures($state->missingWhere($outcome->held())) : [],
                array_column(Outcome::cases(), null, 'value'),
            ),
            'printAsked' => null === $asked || !$run->status->open() ? null : Sentence::of(
                'run.print_asked',
                clock: Quantity::minutes($asked),
                planned: Quantity::minutes($comparison->runDurations()->printMinutes),
            ),
            'mayTakeBack' => self::mayTakeBack($state),
            'nextRunId' => $this->nextRunId($run),
            'serverTime' => $this->now->time()->format(\DATE_ATOM),
        ];
    }

    /**
     * @param list<PlateSpot> $spots where single parts stand, if that is told
     *
     * @return array<string, mixed> the map of a plate, and where its parts stand where that is known
     */
    public static function map(Plate $plate, int $parts, array $spots = []): array
    {
        return [
            'widthMm' => $plate->widthMm,
            'depthMm' => $plate->depthMm,
            'round' => $plate->round,
            'places' => $parts > 1
                ? PlatePlaces::of($parts, $plate->widthMm, $plate->depthMm)
                : array_map(static fn (PlateSpot $spot): array => $spot->at(), $spots),
        ];
    }

    /** What is glued to the bed that another plate is to lie on. */
    private function gluedBelow(Setup $setup): ?string
    {
        $glued = $this->entities->getRepository(Plate::class)->findOneBy([
            'printer' => $setup->comparison->printer,
            'heldBy' => HoldDown::Glue,
            'retired' => false,
        ]);

        return null === $glued || $glued === $setup->side->plate ? null : $glued->number;
    }

    private static function file(Run $run): string
    {
        $planned = $run->comparison->constants['file'] ?? null;

        return match (true) {
            null === $run->fileDigest => 'not_looked_at',
            !\is_array($planned) => 'looked_at',
            default => $run->fileDigest === ($planned['digest'] ?? null) ? 'the_same' : 'another',
        };
    }

    /** @return list<Sentence> where the bench of whoever asks has something else than this run, while it can still be changed */
    private function flags(Run $run): array
    {
        $bench = $this->current->get()->bench();
        if (!isset($bench['printerId']) || !$run->status->open() || !\in_array($run->step, self::BEFORE_PRINT, true)) {
            return [];
        }
        if ($bench['printerId'] !== $run->comparison->printer->id->toRfc4122()) {
            $printer = $this->lying(Printer::class, $bench['printerId']);

            // What lies on another bench says nothing of this one.
            return null === $printer ? [] : [Sentence::of('flag.printer', bench: $printer->name, run: $run->comparison->printer->name)];
        }
        $lot = $this->lying(Lot::class, $bench['lotId'] ?? null);
        $side = $this->lying(PlateSide::class, $bench['plateSideId'] ?? null);
        // A coat that is still to be put on is no other coat.
        $agent = $this->lying(AgentStock::class, $bench['agentId'] ?? null);

        return array_values(array_filter([
            null === $lot || $lot === $run->setup->lot ? null : Sentence::of('flag.lot', bench: $lot->label, run: $run->setup->lot->label),
            null === $side || $side === $run->setup->side ? null : Sentence::of('flag.side', bench: $side->label(), run: $run->setup->side->label()),
            null === $agent || $agent === $run->setup->agent ? null : Sentence::of(
                'flag.coat',
                bench: $agent->name,
                run: $run->setup->agent->name ?? Sentence::of('candidate.bare'),
            ),
        ]));
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T|null null: nothing lies there
     */
    private function lying(string $class, ?string $id): ?object
    {
        return null === $id ? null : $this->entities->find($class, Uuid::fromString($id));
    }

    /** @return array<string, list<string>> */
    private function stepsByOutcome(Run $run): array
    {
        $filament = Printer::FILAMENT === $run->comparison->printer->kind;
        $steps = [];
        foreach (Outcome::cases() as $outcome) {
            $steps[$outcome->value] = self::keys($this->steps->sequence($run->pull, $outcome->pullPossible(), $filament));
        }

        return $steps;
    }

    /**
     * @param list<Measure> $measures
     *
     * @return list<string>
     */
    private static function measures(array $measures): array
    {
        return array_map(static fn (Measure $measure): string => $measure->value, $measures);
    }

    /**
     * @param list<SheetStep> $steps
     *
     * @return list<string>
     */
    private static function keys(array $steps): array
    {
        return array_map(static fn (SheetStep $step): string => $step->key(), $steps);
    }

    private function nextRunId(Run $run): ?string
    {
        $next = $this->entities->getRepository(Run::class)->findOneBy(
            ['comparison' => $run->comparison, 'status' => RunStatus::Planned],
            ($run->comparison->coatStays() ? ['visit' => 'ASC'] : []) + ['position' => 'ASC'],
        );

        return $next?->id->toRfc4122();
    }

    private static function mayTakeBack(RunState $state): bool
    {
        try {
            return [] !== RunLife::takeFinishBack($state);
        } catch (Refusal) {
            return false;
        }
    }
}
