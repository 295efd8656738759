<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Expectation\RunConditions;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\Knowledge;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\Shop;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;

/** Own runs with their conditions told one by one, and what is learned from them. */
final class RunsMade
{
    public static function of(
        string $sideId,
        string $surfaceId,
        ?string $agentId,
        ?float $bedC,
        int $runs,
        int $held,
        int $released,
        int $clean,
        ?float $minutes = null,
        int $parts = 1,
        string $printerId = 'p',
        ?float $exposureS = null,
        bool $ownBrim = false,
        bool $forUse = false,
    ): OwnRuns {
        $under = new RunConditions($bedC, $printerId, $exposureS, $ownBrim, $forUse);

        return new OwnRuns($sideId, $surfaceId, $agentId, $under, $runs, $held, $released, $clean, $minutes, $parts);
    }

    /**
     * As the shop would have it that made these, with the lot of the job.
     *
     * @param list<OwnRuns>    $runs
     * @param list<ProvenSeat> $proven
     */
    public static function experience(Catalogue $catalogue, JobRequest $job, array $runs, array $proven = []): Experience
    {
        $posteriors = [];
        foreach (Success::cases() as $of) {
            $answers = [];
            foreach ($runs as $run) {
                [$all, $well] = Success::Held === $of ? [$run->runs, $run->held] : [$run->released, $run->clean];
                for ($i = 0; $i < $all; ++$i) {
                    $answers[] = new Answered(self::situation($catalogue, $job, $run, $of), $i < $well);
                }
            }
            $posteriors[] = Shop::learn($answers, Spreads::usual($of))->known(static fn (): bool => true);
        }

        return new Experience($runs, $proven, new Knowledge(...$posteriors));
    }

    private static function situation(Catalogue $catalogue, JobRequest $job, OwnRuns $run, Success $of): Situation
    {
        $material = $job->material->id;
        $treatment = $catalogue->pairing($material, $run->surfaceId)?->treatment($run->agentId);
        $unheated = null === $run->under->bedC && null === $run->under->exposureS;

        return Situation::ofMade(
            $of,
            Success::Held === $of ? $treatment?->holdAt($unheated) : $treatment?->release,
            [],
            $run->parts,
            $run->minutes,
            Levels::ofJob($material, $run->under->printerId, '', $job->lotId, $run->under->forUse ? Levels::USE : Levels::TEST)
                + Levels::ofSurface($run->surfaceId)
                + Levels::ofSide($material, $run->sideId, $run->sideId)
                + Levels::ofTreatment($material, $run->surfaceId, $run->agentId, true === $treatment?->basis->isOnlyTheMakers()),
        );
    }
}
