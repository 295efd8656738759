<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\Author;
use App\Device\Gauge;
use App\Judge\Judging;
use App\Keep\Profile;
use App\Keep\Proposal;
use App\Test\Comparison;
use App\Test\ComparisonBook;
use App\Test\Expected;
use App\Test\ReadingSource;
use App\Test\Run;
use App\Test\RunBook;
use App\Test\RunRepository;
use App\Test\Setup;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonState;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\Fact\RunFact;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\OnePersonShop;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\OwnFactors;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\SetupLabel;
use Symfony\Component\Uid\Uuid;

/** The comparisons, readings and profiles of the demo, from demo/tests.yaml; judged by the same code as real ones. */
final class DemoTests
{
    private const MINUTES_PER_RUN = 55;

    /** @var array<string, Comparison> */
    private array $comparisons = [];
    private ?Gauge $gauge = null;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly RunRepository $runs,
        private readonly RunBook $runBook,
        private readonly ComparisonBook $book,
        private readonly Judging $judging,
        private readonly Expected $expected,
        private readonly Proposal $proposal,
    ) {
    }

    /** @param array<string, mixed> $data */
    public function load(array $data, DemoShop $shop, \DateTimeImmutable $now): void
    {
        $this->gauge = $shop->gauge;
        foreach ($data['comparisons'] as $c) {
            $this->comparison($c, $shop, $now->modify("-{$c['days']} days"));
        }
        $this->entities->flush();
        foreach ($data['comparisons'] as $c) {
            if ($c['closed'] ?? false) {
                $this->close($this->comparisons[$c['title']], $shop->people['Tilo']);
            }
        }
        $this->entities->flush();
        foreach ($data['profiles'] as $p) {
            $this->profile($p, $shop->people, $now);
        }
    }

    /** @param array<string, mixed> $c */
    private function comparison(array $c, DemoShop $shop, \DateTimeImmutable $at): void
    {
        $comparison = new Comparison(Uuid::v7(), $at, $shop->lots[$c['lot']], $shop->printers[$c['printer']]);
        $comparison->apply($c);
        foreach ($c['setups'] as $i => $s) {
            $side = $shop->sides[$s['side']];
            $comparison->setups->add($setup = new Setup(
                Uuid::v7(),
                $at,
                $comparison,
                SetupLabel::at($i),
                $i,
                $side,
                $side->current(),
                null === $s['agent'] ? null : $shop->agents[$s['agent']],
                (float) $s['bed'][0],
                (float) $s['bed'][1],
            ));
            $setup->vary(OwnFactors::of($s), isset($s['lot']) ? $shop->lots[$s['lot']] : null);
            $setup->expect($this->expected->of($setup));
        }
        $this->entities->persist($comparison);
        $this->comparisons[$comparison->title] = $comparison;
        if ($c['draft'] ?? false) {
            return;
        }
        $planned = ComparisonLife::start(new ComparisonState(
            $comparison->status,
            ComparisonBook::setups($comparison),
            $comparison->runsPerSetup,
            $comparison->hotPerSetup,
            $comparison->seed,
            design: $comparison->design(),
            visits: $comparison->proof['visits'],
        ));
        $comparison->status = ComparisonStatus::Running;
        $comparison->startedAt = $at;
        $this->makeRuns($comparison, $c, $this->book->plan($comparison, $planned, $at), $shop->people, $at);
    }

    /**
     * @param array<string, mixed>  $c
     * @param list<Run>             $runs
     * @param array<string, Author> $people
     */
    private function makeRuns(Comparison $comparison, array $c, array $runs, array $people, \DateTimeImmutable $at): void
    {
        $left = [];
        foreach ($comparison->setups as $setup) {
            $given = $c['setups'][$setup->position];
            $left[$setup->id->toRfc4122()] = ['hot' => $given['hot'], 'cold' => $given['cold'], 'void' => $given['void'] ?? []];
        }
        $last = \count($runs);
        $stopAfter = $c['stopAfter'] ?? \PHP_INT_MAX;
        foreach ($runs as $i => $run) {
            if ($i > $stopAfter || ($i === $stopAfter && !isset($c['running']))) {
                return;
            }
            $begun = $at->modify(\sprintf('+%d minutes', 10 + $i * self::MINUTES_PER_RUN));
            $this->then($run, $people['Mara'], $begun, static fn (RunState $state): array => RunLife::moveTo($state, RunStep::Prepare));
            $pending = &$left[$run->setup->id->toRfc4122()];
            if ([] !== $pending['void'] && $i !== $stopAfter) {
                $reason = array_shift($pending['void']);
                $this->then(
                    $run,
                    $people['Tilo'],
                    $begun->modify('+20 minutes'),
                    static fn (RunState $state): array => RunLife::declareVoid($state, $reason, $people['Tilo']->id->toRfc4122(), new OnePersonShop(), $last++),
                );
            } elseif ($i !== $stopAfter) {
                $this->finish($run, array_shift($pending[$run->pull->value]), $people['Mara'], $begun, (float) $c['durations']['printMinutes']);
            }
            unset($pending);
        }
    }

    private function finish(Run $run, mixed $given, Author $by, \DateTimeImmutable $begun, float $printMinutes): void
    {
        $after = static fn (float $minutes): \DateTimeImmutable => $begun->modify(\sprintf('+%d seconds', (int) round(60 * $minutes)));
        $this->then($run, $by, $after(4), static fn (RunState $state): array => RunLife::moveTo($state, RunStep::HeatAndSoak));
        $this->then($run, $by, $after(11), static fn (RunState $state): array => RunLife::moveTo($state, RunStep::Print));
        $this->then($run, $by, $after(12), static fn (RunState $state): array => RunLife::moveTo($state, RunStep::FirstLayer));
        $this->then(
            $run,
            $by,
            $after(12 + $printMinutes),
            static fn (RunState $state): array => RunLife::sayOutcome($state, 'off' === $given ? Outcome::CameOff : Outcome::Held, ''),
        );
        foreach ('off' === $given ? [] : self::readings($run->pull, $given) as $reading) {
            $this->then(
                $run,
                $by,
                $after(14 + $printMinutes),
                static fn (RunState $state): array => RunLife::enter($state, $reading),
                \in_array($reading->measure, [Measure::PullHot, Measure::PullCold], true)
                    ? ReadingSource::gauge(null, $this->gauge?->id, true)
                    : ReadingSource::typed(),
            );
        }
        $this->then($run, $by, $after(18 + $printMinutes), static fn (RunState $state): array => RunLife::moveTo($state, RunStep::Clean));
        $this->then($run, $by, $after(20 + $printMinutes), static fn (RunState $state): array => RunLife::finish($state));
    }

    /** @return list<Reading> */
    private static function readings(PullKind $pull, mixed $given): array
    {
        return PullKind::Hot === $pull
            ? [new Reading(Measure::PullHot, (float) ltrim((string) $given, '>'), \is_string($given))]
            : [
                new Reading(Measure::PullCold, (float) $given[0]),
                new Reading(Measure::Effort, (float) $given[1]),
                new Reading(Measure::ReleaseTemperature, (float) $given[2]),
                new Reading(Measure::Damage, (float) ($given[3] ?? 0)),
            ];
    }

    /** @param \Closure(RunState): list<RunFact> $command */
    private function then(Run $run, Author $by, \DateTimeImmutable $at, \Closure $command, ?ReadingSource $source = null): void
    {
        $this->runBook->write($run, $command($this->runBook->state($run, $at)), $by, $at, $source ?? ReadingSource::typed());
    }

    private function close(Comparison $comparison, Author $by): void
    {
        $last = $comparison->createdAt;
        foreach ($this->runs->of($comparison) as $run) {
            $last = max($last, $run->finishedAt ?? $last);
        }
        ComparisonLife::close($this->book->state($comparison));
        $this->entities->persist($this->judging->record($comparison, $by, $last));
        $comparison->status = ComparisonStatus::Closed;
        $comparison->closedAt = $last;
    }

    /**
     * @param array<string, mixed>  $p
     * @param array<string, Author> $people
     */
    private function profile(array $p, array $people, \DateTimeImmutable $now): void
    {
        $comparison = $this->comparisons[$p['comparison']];
        $setup = null;
        foreach ($comparison->setups as $each) {
            $setup = $each->label === $p['setup'] ? $each : $setup;
        }
        \assert($setup instanceof Setup);
        $plan = new AcceptancePlan((float) $p['plan'][0], (float) $p['plan'][1], $p['plan'][2]);
        $claim = new ScopeClaim(false, false);
        $proposed = $this->proposal->propose($setup, $plan, $claim, $p['title']);
        $document = $proposed->document;
        $document['origin'] = ['setupId' => $setup->id->toRfc4122()];
        $at = $now->modify("-{$p['days']} days");
        $id = Uuid::v7();
        $profile = new Profile(
            $id,
            $at,
            $id,
            1,
            $p['title'],
            $comparison->materialId,
            $comparison->printer,
            $setup->side,
            $comparison->lot,
            $document,
            false,
            'Mara',
            $people['Mara']->id,
        );
        $profile->fitting = $setup->fitting;
        $profile->evidenceUntil = $proposed->evidenceUntil;
        $profile->reviewBy = $now->modify(\sprintf('%+d days', $p['reviewInDays']));
        if (!$this->proposal->assess($setup, $plan, $claim)->carried()) {
            throw new \LogicException(\sprintf('The demo evidence does not carry "%s".', $p['title']));
        }
        $profile->status = isset($p['withdrawn']) ? Profile::WITHDRAWN : Profile::VALIDATED;
        $profile->withdrawnReason = $p['withdrawn'] ?? '';
        $profile->signedBy = 'Tilo';
        $profile->signedById = $people['Tilo']->id;
        $profile->signedAt = $at;
        $profile->signedDigest = $profile->digest();
        $this->entities->persist($profile);
    }
}
