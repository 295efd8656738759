<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * A wrong touch is taken back while it is fresh, by whoever made it, and before anything was made that rests on it. Later it
 * is corrected in the open: by an amendment, a void, or another note.
 */
final class TakingBack
{
    /** As long as somebody notices a wrong touch before the next step (a choice of ours). */
    public const WITHIN_SECONDS = 600;

    /**
     * Of a note on a plate side or a printer.
     *
     * @param bool $own    whether the same person wrote it
     * @param bool $rested whether a run or print was begun on that side or printer since
     *
     * @throws Refusal if it stays
     */
    public static function ofNote(float $secondsAgo, bool $own, bool $rested): void
    {
        if (!$own) {
            throw Refusal::person(Sentence::of('take_back.others'));
        }
        if ($rested) {
            throw Refusal::state(Sentence::of('take_back.rested'));
        }
        if ($secondsAgo > self::WITHIN_SECONDS) {
            throw Refusal::state(Sentence::of('take_back.too_late', minutes: Quantity::minutes(self::WITHIN_SECONDS / 60)));
        }
    }
}
