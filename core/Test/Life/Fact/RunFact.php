<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** Something that has come to pass in the life of a run, to be written down as it is. */
interface RunFact
{
}
