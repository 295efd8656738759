<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** One way in which things go wrong. */
interface Part
{
    public function name(): string;

    /** @return list<Outcome> */
    public function run(Rig $rig): array;
}
