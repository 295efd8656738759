<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Flushed;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;
use Sitzplatz\Test\Life\JobStatus;

/** Has the tallies of what a flush changes counted again, in the same transaction. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class TallyKeeper
{
    /** @var array<string, string> setups whose finished runs a flush changes, by their id */
    private array $changed = [];
    /** @var array<string, string> sides that a flush does something to, by their id */
    private array $sides = [];
    /** @var list<string> sides that may have another sheet, by their id */
    private array $sheets = [];
    /** @var list<string> prints for use that a flush answers, by their id */
    private array $uses = [];
    /** @var list<PartsRuns> */
    private array $events = [];
    /** @var list<string> stocks that a flush makes another kind */
    private array $agents = [];

    public function __construct(private readonly RunTally $tally)
    {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        $work = $flush->getObjectManager()->getUnitOfWork();
        foreach (Flushed::entities($flush) as $entity) {
            if ($entity instanceof PartsRuns) {
                $this->events[] = $entity;
            } elseif ($entity instanceof AgentStock && isset($work->getEntityChangeSet($entity)['kindId'])) {
                $this->agents[] = $entity->id->toBinary();
            }
            if ($entity instanceof PlateSide) {
                $this->sheets[] = $entity->id->toBinary();
            }
            $side = match (true) {
                $entity instanceof PlateSide => $entity,
                $entity instanceof TouchesSide => $entity->side(),
                default => null,
            };
            if (null !== $side) {
                $id = $side->id->toBinary();
                $this->sides[$id] = $id;
            }
            if ($entity instanceof Job && JobStatus::Answered === $entity->status) {
                $this->uses[] = $entity->id->toBinary();
            }
            $run = match (true) {
                $entity instanceof Run => $entity,
                $entity instanceof Part => $entity->run,
                $entity instanceof Standing => $entity->part->run,
                default => null,
            };
            // Also where it counted until now.
            if (null !== $run && (null !== $run->finishedAt || isset($work->getEntityChangeSet($run)['finishedAt']))) {
                $id = $run->setup->id->toBinary();
                $this->changed[$id] = $id;
            }
        }
    }

    public function postFlush(): void
    {
        [$changed, $sides, $sheets, $uses, $events, $agents] = [$this->changed, $this->sides, $this->sheets, $this->uses, $this->events, $this->agents];
        $this->changed = $this->sides = $this->sheets = $this->uses = $this->events = $this->agents = [];
        // First: a side takes its prints for use from the months that these count.
        foreach ($uses as $jobId) {
            $this->tally->recountUse($jobId);
        }
        foreach ($changed as $setupId) {
            $this->tally->recount($setupId);
        }
        foreach ($sides as $sideId) {
            $this->tally->recountSide($sideId);
        }
        foreach ($sheets as $sideId) {
            $this->tally->leaveSheets($sideId);
        }
        foreach ($events as $event) {
            foreach ($event->partsRunsAt() as $at) {
                $this->tally->part($event->printer()->id->toBinary(), $at);
            }
        }
        foreach ($agents as $agentId) {
            $this->tally->recountAgent($agentId);
        }
    }
}
