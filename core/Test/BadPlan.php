<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A comparison that cannot be carried out as planned; the message tells what to change. */
final class BadPlan extends \DomainException
{
    public static function noSetups(): self
    {
        return new self('A comparison needs at least one setup.');
    }

    public static function tooFewRuns(int $runs): self
    {
        return new self(\sprintf(
            'Every setup is visited at least twice, so plan at least 2 runs per setup, not %d.',
            $runs,
        ));
    }

    public static function hotRuns(int $hot, int $runs): self
    {
        return new self(\sprintf(
            'Of %d runs per setup, %d cannot give a hot pull: a part gives either a hot or a cold pull.',
            $runs,
            $hot,
        ));
    }
}
