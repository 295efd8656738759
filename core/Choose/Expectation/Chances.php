<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Knowledge;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\Prediction;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Term;

/** What is to be expected of the setups of one job; what they share is looked up once. */
final class Chances
{
    /** @var \WeakMap<Sums, array{Term, Term}> of the job on a surface, of a side, and of an agent on a surface: holding and coming off */
    private \WeakMap $ofSums;

    /** @param string $epoch of the printer */
    public function __construct(private readonly JobRequest $job, private readonly Knowledge $knowledge, private readonly string $epoch)
    {
        $this->ofSums = new \WeakMap();
    }

    /** @return array{Prediction, Prediction} that it holds, and that it comes off clean */
    public function of(Proposal $proposal, Treatment $treatment, Grade $hold, Moved $moved): array
    {
        $material = $this->job->material->id;
        $surface = $this->ofSums[$moved->ofSurface] ??= $this->onSurface($proposal->surface->id, $moved->ofSurface);
        $side = $this->ofSums[$moved->ofSide] ??= $this->summed(Levels::ofSide($material, $proposal->side->id, $proposal->side->sheetId), $moved->ofSide);
        $agent = $this->ofSums[$moved->ofAgent] ??= $this->summed(
            Levels::ofTreatment($material, $proposal->surface->id, $treatment->agentId, $treatment->basis->isOnlyTheMakers()),
            $moved->ofAgent,
        );

        return [
            Prediction::of($hold->logOdds(), [$surface[0], $side[0], $agent[0]], $this->knowledge->held),
            Prediction::of($treatment->release->logOdds(), [$surface[1], $side[1], $agent[1]], $this->knowledge->released),
        ];
    }

    /**
     * The same apart: each thing that moves it.
     *
     * @return array{list<Part>, list<Part>} holding, and coming off
     */
    public function parts(Proposal $proposal, Treatment $treatment, Moved $moved): array
    {
        $material = $this->job->material->id;
        $surface = $proposal->surface->id;
        $ofJob = $this->levels();
        $learned = [
            'pair' => Levels::ofTreatment($material, $surface, $treatment->agentId, $treatment->basis->isOnlyTheMakers()) + Levels::ofSurface($surface),
            'seat' => Levels::ofSide($material, $proposal->side->id, $proposal->side->sheetId),
            'printer' => array_diff_key($ofJob, [EffectKind::Lot->value => 0, EffectKind::Purpose->value => 0]),
            'lot' => array_intersect_key($ofJob, [EffectKind::Lot->value => 0]),
            'purpose' => array_intersect_key($ofJob, [EffectKind::Purpose->value => 0]),
        ];
        $all = [[], []];
        foreach ([$this->knowledge->held, $this->knowledge->released] as $i => $posterior) {
            foreach ($moved->all() as $influence) {
                [$name, $value] = 0 === $i ? [$influence->id, $influence->onHold] : [Situation::OF_RELEASE.$influence->id, $influence->onRelease];
                if (abs($value) > 0.0) {
                    $all[$i][] = new Part($influence->id, $influence, $posterior->term([], [$name => $value]));
                }
            }
            foreach (Situation::size($this->job->partCount, $this->job->minutes) as $name => $value) {
                if (abs($value) > 0.0) {
                    $all[$i][] = new Part($name, null, $posterior->term([], [$name => $value]));
                }
            }
            foreach ($learned as $id => $levels) {
                $all[$i][] = new Part($id, null, $posterior->term($levels, []), ...$posterior->counted($levels));
            }
        }

        return $all;
    }

    /** @return array<string, string> of the job itself */
    private function levels(): array
    {
        return Levels::ofJob(
            $this->job->material->id,
            $this->job->printer->id,
            $this->epoch,
            $this->job->lotId ?? Levels::SOME_LOT,
            $this->job->isTest ? Levels::TEST : Levels::USE,
        );
    }

    /** @return array{Term, Term} of the job itself, and of the surface: the same for many sides and agents */
    private function onSurface(string $surface, Sums $sums): array
    {
        $levels = $this->levels() + Levels::ofSurface($surface);
        $size = Situation::size($this->job->partCount, $this->job->minutes);

        return [$this->knowledge->held->term($levels, $sums->onHold + $size), $this->knowledge->released->term($levels, $sums->onRelease + $size)];
    }

    /**
     * @param array<string, string> $levels
     *
     * @return array{Term, Term}
     */
    private function summed(array $levels, Sums $sums): array
    {
        return [$this->knowledge->held->term($levels, $sums->onHold), $this->knowledge->released->term($levels, $sums->onRelease)];
    }
}
