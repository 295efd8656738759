<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Day;
use Sitzplatz\Words\Sentence;

/**
 * What puts a signed profile out of scope or in question: it stands for a sheet on a side, as the printer was when it was
 * proven, until its review or until prints for use show that it has drifted (common practice, trade notes section 6: results
 * from before a change are in question).
 */
final class Doubts
{
    /** @return list<Doubt> none: it is to be trusted within its scope */
    public static function of(ProfileGround $profile, ShelfNow $now): array
    {
        $doubts = [];
        if (null !== $profile->evidenceFailsSince) {
            $doubts[] = new Doubt(
                'evidence',
                Sentence::of('doubt.evidence', day: new Day($profile->evidenceFailsSince)),
                Sentence::of('doubt.restore_evidence'),
            );
        }
        if (null !== $profile->fittingId && $now->plateRetired) {
            $doubts[] = new Doubt('plate', Sentence::of('doubt.plate_retired', side: $profile->sideName), Sentence::of('doubt.restore_other_plate'));
        }
        if (null !== $profile->fittingId && $profile->fittingId !== $now->fittingId) {
            $otherLot = '' !== $profile->sheetLot && '' !== $now->sheetLot && $profile->sheetLot !== $now->sheetLot;
            $doubts[] = new Doubt('sheet', $otherLot
                ? Sentence::of('doubt.other_sheet_lot', side: $profile->sideName, was: $profile->sheetLot, is: $now->sheetLot)
                : Sentence::of('doubt.new_sheet', side: $profile->sideName), Sentence::of('doubt.restore_prove_sheet'));
        }
        $latest = [];
        foreach ($now->changes as $change) {
            // They come newest first; that the nozzle was changed five times since says no more than that it was.
            if (!isset($latest[$change->kind->value]) && $change->questions($profile->plateId ?? '', $profile->evidenceUntil)) {
                $latest[$change->kind->value] = $change;
            }
        }
        foreach ($latest as $change) {
            $doubts[] = new Doubt(
                'change',
                Sentence::of('doubt.changed', change: $change->kind->words(), day: new Day($change->day)),
                Sentence::of('doubt.restore_confirm'),
            );
        }
        if (null !== $now->drift && null !== $now->driftedOn) {
            $doubts[] = new Doubt('drift', Sentence::of('doubt.drift.'.$now->drift->value, day: new Day($now->driftedOn)), Sentence::of('doubt.restore_drift'));
        }
        if (null !== $profile->reviewBy && $profile->reviewBy < $now->today) {
            $doubts[] = new Doubt('review', Sentence::of('scope.review', day: new Day($profile->reviewBy)), Sentence::of('doubt.restore_review'));
        }

        return $doubts;
    }
}
