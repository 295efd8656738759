<?php

declare(strict_types=1);

namespace App\Platform;

use App\Judge\Judging;
use App\Judge\VerdictRecord;
use App\Keep\Profile;
use App\Keep\Proposal;
use App\Test\Comparison;
use App\Test\Run;
use App\Test\RunRepository;
use App\Test\Setup;
use App\Test\StoredReading;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\CoreVersion;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\RunStep;
use Symfony\Component\Uid\Uuid;

/** The comparisons, readings and profiles of the demo, from demo/tests.yaml; judged by the same code as real ones. */
final class DemoTests
{
    private const MINUTES_PER_RUN = 55;

    /** @var array<string, Comparison> */
    private array $comparisons = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly RunRepository $runs,
        private readonly Judging $judging,
        private readonly Proposal $proposal,
        private readonly Catalogue $catalogue,
    ) {
    }

    /** @param array<string, mixed> $data */
    public function load(array $data, DemoShop $shop, \DateTimeImmutable $now): void
    {
        foreach ($data['comparisons'] as $c) {
            $this->comparison($c, $shop, $now->modify("-{$c['days']} days"));
        }
        $this->entities->flush();
        foreach ($data['comparisons'] as $c) {
            if ($c['closed'] ?? false) {
                $this->close($this->comparisons[$c['title']]);
            }
        }
        $this->entities->flush();
        foreach ($data['profiles'] as $p) {
            $this->profile($p, $now);
        }
    }

    /** @param array<string, mixed> $c */
    private function comparison(array $c, DemoShop $shop, \DateTimeImmutable $at): void
    {
        $comparison = new Comparison(Uuid::v7(), $at, $shop->lots[$c['lot']], $shop->printers[$c['printer']]);
        $comparison->apply($c);
        $planned = [];
        foreach ($c['setups'] as $i => $s) {
            $side = $shop->sides[$s['side']];
            $setup = new Setup(Uuid::v7(), $at, $comparison, \chr(\ord('A') + $i), $i, $side, $side->current(), null === $s['agent'] ? null : $shop->agents[$s['agent']], (float) $s['bed'][0], (float) $s['bed'][1]);
            $comparison->setups->add($setup);
            $planned[] = new PlannedSetup($setup->id->toRfc4122(), $side->id->toRfc4122());
        }
        $this->entities->persist($comparison);
        $this->comparisons[$comparison->title] = $comparison;
        if ($c['draft'] ?? false) {
            return;
        }
        $comparison->status = Comparison::RUNNING;
        $comparison->startedAt = $at;
        $this->makeRuns($comparison, $c, RunOrder::draw($planned, $comparison->runsPerSetup, $comparison->hotPerSetup, $comparison->seed), $at);
    }

    /** @param array<string, mixed> $c */
    private function makeRuns(Comparison $comparison, array $c, RunOrder $order, \DateTimeImmutable $at): void
    {
        $setups = [];
        $left = [];
        foreach ($comparison->setups as $setup) {
            $id = $setup->id->toRfc4122();
            $setups[$id] = $setup;
            $given = $c['setups'][$setup->position];
            $left[$id] = ['hot' => $given['hot'], 'cold' => $given['cold'], 'void' => $given['void'] ?? []];
        }
        $extra = \count($order->runs);
        foreach ($order->runs as $i => $planned) {
            $setup = $setups[$planned->setupId];
            $pending = &$left[$planned->setupId];
            $run = new Run(Uuid::v7(), $at, $comparison, $setup, $planned->position, $planned->visit, $planned->pull, $planned->plateChange, $comparison->roomC);
            $this->entities->persist($run);
            $begun = $at->modify(\sprintf('+%d minutes', 10 + $i * self::MINUTES_PER_RUN));
            $stopAfter = $c['stopAfter'] ?? \PHP_INT_MAX;
            if ($i > $stopAfter || ($i === $stopAfter && !isset($c['running']))) {
                continue;
            }
            $this->begin($run, $begun);
            if ($i === $stopAfter) {
                $run->step = RunStep::Prepare;
            } elseif ([] !== $pending['void']) {
                $this->void($run, array_shift($pending['void']), $begun, ++$extra);
            } else {
                $this->finish($run, array_shift($pending[$planned->pull->value]), $begun->modify('+50 minutes'));
            }
            unset($pending);
        }
    }

    private function begin(Run $run, \DateTimeImmutable $at): void
    {
        $run->status = Run::RUNNING;
        $run->startedAt = $at;
        $run->stepBeganAt = $at;
        $run->madeBy = 'Mara';
    }

    private function void(Run $run, string $reason, \DateTimeImmutable $at, int $position): void
    {
        $run->status = Run::VOID;
        $run->voidReason = $reason;
        $run->voidedBy = 'Tilo';
        $run->finishedAt = $at->modify('+20 minutes');
        $this->entities->persist(new Run(Uuid::v7(), $at, $run->comparison, $run->setup, $position, $run->visit, $run->pull, true, $run->roomC));
    }

    private function finish(Run $run, mixed $given, \DateTimeImmutable $at): void
    {
        $run->status = Run::DONE;
        $run->step = RunStep::Clean;
        $run->finishedAt = $at;
        $run->outcome = 'off' === $given ? Outcome::CameOff : Outcome::Held;
        $this->read($run, Measure::Held, $run->outcome->held() ? 1.0 : 0.0, $at);
        if ('off' === $given) {
            return;
        }
        if (PullKind::Hot === $run->pull) {
            $atLeast = \is_string($given);
            $this->read($run, Measure::PullHot, (float) ltrim((string) $given, '>'), $at, $atLeast);

            return;
        }
        $this->read($run, Measure::PullCold, (float) $given[0], $at);
        $this->read($run, Measure::Effort, (float) $given[1], $at);
        $this->read($run, Measure::ReleaseTemperature, (float) $given[2], $at);
        $this->read($run, Measure::Damage, (float) ($given[3] ?? 0), $at);
    }

    private function read(Run $run, Measure $measure, float $value, \DateTimeImmutable $at, bool $atLeast = false): void
    {
        $run->take(new Reading($measure, $value, $atLeast));
        $source = $measure->isForce() ? 'gauge' : 'typed';
        $this->entities->persist(new StoredReading(Uuid::v7(), $at, $run->part(), $measure, $value, $atLeast, $value, $measure->units()[0], $source, 'Mara'));
    }

    private function close(Comparison $comparison): void
    {
        $counted = [];
        $last = $comparison->createdAt;
        foreach ($this->runs->of($comparison) as $run) {
            if (Run::DONE === $run->status) {
                $counted[] = $run->id->toRfc4122();
                $last = max($last, $run->finishedAt);
            }
        }
        $comparison->status = Comparison::CLOSED;
        $comparison->closedAt = $last;
        $this->entities->persist(new VerdictRecord(Uuid::v7(), $last, $comparison, 'Tilo', $this->judging->judge($comparison), $counted, $this->catalogue->digest, CoreVersion::NUMBER));
    }

    /** @param array<string, mixed> $p */
    private function profile(array $p, \DateTimeImmutable $now): void
    {
        $comparison = $this->comparisons[$p['comparison']];
        $setup = null;
        foreach ($comparison->setups as $each) {
            $setup = $each->label === $p['setup'] ? $each : $setup;
        }
        \assert($setup instanceof Setup);
        $wish = ['plan' => ['reliability' => $p['plan'][0], 'confidence' => $p['plan'][1], 'failuresAllowed' => $p['plan'][2]], 'anyLot' => false, 'anyPlate' => false];
        $document = $this->proposal->document($setup, $wish, $p['title']);
        $document['origin'] = ['setupId' => $setup->id->toRfc4122()];
        $at = $now->modify("-{$p['days']} days");
        $id = Uuid::v7();
        $profile = new Profile($id, $at, $id, 1, $p['title'], $comparison->materialId, $comparison->printer, $setup->side, $comparison->lot, $document, false, 'Mara');
        $profile->reviewBy = $now->modify(\sprintf('%+d days', $p['reviewInDays']));
        if (!$this->proposal->assess($setup, $wish)->carried()) {
            throw new \LogicException(\sprintf('The demo evidence does not carry "%s".', $p['title']));
        }
        $profile->status = isset($p['withdrawn']) ? Profile::WITHDRAWN : Profile::VALIDATED;
        $profile->withdrawnReason = $p['withdrawn'] ?? '';
        $profile->signedBy = 'Tilo';
        $profile->signedAt = $at;
        $this->entities->persist($profile);
    }
}
