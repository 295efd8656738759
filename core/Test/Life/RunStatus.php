<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/** Where a run stands in its life. */
enum RunStatus: string
{
    case Planned = 'planned';
    case Running = 'running';
    case Done = 'done';
    /** Spoiled, with a reason; kept, and repeated. */
    case Void = 'void';

    public function open(): bool
    {
        return self::Planned === $this || self::Running === $this;
    }
}
