<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Catalogue\ShopCatalogue;
use App\Platform\Database\StoredId;
use Doctrine\DBAL\Connection;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\LogLine;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** Finished runs and answered prints of the shop, as what is learned from them is told: under which conditions, and how they came out. */
final class AnsweredPrints
{
    /** Of what was printed before, little is there any more. */
    public const MOST = 20_000;
    private const USUAL_MINUTES = 60.0;

    /** @var array<string, array{float, float, float}> grades by pair, on log-odds: holding, holding cold, coming off */
    private array $grades = [];

    public function __construct(private readonly Connection $database, private readonly ShopCatalogue $shop, private readonly PrinterChanges $changes)
    {
    }

    /** When the last one was answered; null: none was. */
    public function lastAt(): ?string
    {
        $last = array_filter([
            $this->database->fetchOne("SELECT MAX(answered_at) FROM job WHERE status = 'answered'"),
            $this->database->fetchOne('SELECT MAX(last_at) FROM run_tally'),
        ], \is_string(...));

        return [] === $last ? null : max($last);
    }

    /** @return array<value-of<Success>, list<Answered>> */
    public function all(): array
    {
        $this->grades = [];
        $catalogue = $this->shop->get();
        $answers = [Success::Held->value => [], Success::Released->value => []];
        $tell = function (array $row, RunOutcome $hold, RunOutcome $release, int $times) use ($catalogue, &$answers): void {
            foreach ([[Success::Held, $hold], [Success::Released, RunOutcome::Passed === $hold ? $release : RunOutcome::Unsaid]] as [$of, $outcome]) {
                if (RunOutcome::Passed === $outcome || RunOutcome::Failed === $outcome) {
                    $told = new Answered($this->situation($row, $of, $catalogue), RunOutcome::Passed === $outcome);
                    array_push($answers[$of->value], ...array_fill(0, $times, $told));
                }
            }
        };
        foreach ($this->prints() as $row) {
            $tell($row, RunOutcomes::held(Outcome::from((string) $row['outcome'])->held()), $this->release($row), 1);
        }
        foreach ($this->runs() as $row) {
            foreach (RunCount::listed((string) $row['outcomes']) as $count) {
                $tell($row, $count->hold(), $count->release(), $count->times);
            }
        }

        return $answers;
    }

    /**
     * Prints for use of which a chance was said when they began, in that order, with that chance and whether it came true.
     *
     * @return list<array{LogLine, float, bool}>
     */
    public function told(): array
    {
        $this->grades = [];
        $catalogue = $this->shop->get();
        $told = [];
        foreach ($this->prints() as $row) {
            if (null !== $row['said_chance']) {
                $held = Outcome::from((string) $row['outcome'])->held();
                $release = $this->release($row);
                $told[(string) $row['created_at'].$row['id']] = [new LogLine(
                    '',
                    0.0,
                    $this->situation($row, Success::Held, $catalogue),
                    $this->situation($row, Success::Released, $catalogue),
                    implode("\0", [$row['material_id'], $row['side_id'], $row['agent_kind_id']]),
                    $held,
                    $held && RunOutcome::Unsaid !== $release ? RunOutcome::Passed === $release : null,
                ), (float) $row['said_chance'], (bool) $row['came_true']];
            }
        }
        ksort($told);

        return array_values($told);
    }

    /** @return iterable<array<string, mixed>> */
    private function prints(): iterable
    {
        return $this->database->iterateAssociative(
            "SELECT j.material_id, f.surface_id, a.kind_id AS agent_kind_id, j.side_id, j.fitting_id, j.lot_id, j.printer_id, j.bed_first_c, j.exposure_s,
                    j.outcome, j.effort, j.damaged, j.minutes, j.parts, j.answered_at AS at, 'use' AS source, j.id, j.created_at, j.said_chance, j.came_true
             FROM (SELECT * FROM job WHERE status = 'answered' ORDER BY answered_at DESC LIMIT ".self::MOST.') j
             JOIN fitting f ON f.id = j.fitting_id LEFT JOIN agent_stock a ON a.id = j.agent_id',
        );
    }

    /** @return iterable<array<string, mixed>> groups that are alike; void ones say nothing */
    private function runs(): iterable
    {
        return $this->database->iterateAssociative(
            "SELECT material_id, surface_id, agent_kind_id, side_id, fitting_id, lot_id, printer_id, bed_first_c, exposure_s, outcomes, minutes, parts,
                    last_at AS at, source
             FROM run_tally WHERE source = 'test' AND void = 0 AND own_brim = 0 ORDER BY last_at DESC LIMIT ".self::MOST,
        );
    }

    /** @param array<string, mixed> $row */
    private function situation(array $row, Success $of, Catalogue $catalogue): Situation
    {
        [$material, $surface, $agent] = [(string) $row['material_id'], (string) $row['surface_id'], (string) $row['agent_kind_id']];
        $printer = StoredId::text($row['printer_id']);
        $side = StoredId::text($row['side_id']);
        [$hold, $cold, $release] = $this->grades["$material/$surface/$agent"] ??= self::grades($catalogue, $material, $surface, '' === $agent ? null : $agent);
        $since = EvidenceSince::lastBefore($this->changes->of($printer), self::seconds((string) $row['at']));
        $unheated = null === $row['bed_first_c'] && null === $row['exposure_s'];

        return Situation::of(
            Success::Released === $of ? $release : ($unheated ? $cold : $hold),
            [],
            max(1, (int) $row['parts']),
            null === $row['minutes'] ? self::USUAL_MINUTES : (float) $row['minutes'],
            $material,
            array_filter([
                EffectKind::Pair->value => "$surface\0$agent",
                EffectKind::Surface->value => $surface,
                EffectKind::Agent->value => $agent,
                EffectKind::Side->value => $side,
                EffectKind::Sheet->value => StoredId::text($row['fitting_id']),
                EffectKind::Printer->value => $printer,
                EffectKind::Epoch->value => $printer."\0".self::epoch($since),
                EffectKind::Lot->value => null === $row['lot_id'] ? '' : StoredId::text($row['lot_id']),
                EffectKind::Purpose->value => (string) $row['source'],
            ], static fn (string $level): bool => '' !== $level),
        );
    }

    /** @param array<string, mixed> $row of a print for use */
    private function release(array $row): RunOutcome
    {
        return RunOutcomes::cameOff(
            null === $row['effort'] ? null : Effort::from((int) $row['effort']),
            null === $row['damaged'] ? null : (bool) $row['damaged'],
        );
    }

    private static function seconds(string $at): float
    {
        return EvidenceRepository::seconds(new \DateTimeImmutable($at, new \DateTimeZone('UTC')));
    }

    /** What the time of a printer since a change is called. */
    public static function epoch(?Change $since): string
    {
        return null === $since ? '' : \sprintf('%.0f', $since->at);
    }

    /** @return array{float, float, float} what practice does not know is taken as fair */
    private static function grades(Catalogue $catalogue, string $material, string $surface, ?string $agent): array
    {
        $treatment = $catalogue->pairing($material, $surface)?->treatment($agent);
        $hold = $treatment->hold ?? Grade::Fair;

        return [$hold->logOdds(), ($treatment->holdCold ?? $hold)->logOdds(), ($treatment->release ?? Grade::Fair)->logOdds()];
    }
}
