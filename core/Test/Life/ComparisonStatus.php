<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/** Where a comparison stands in its life. */
enum ComparisonStatus: string
{
    case Draft = 'draft';
    case Running = 'running';
    case Closed = 'closed';
}
