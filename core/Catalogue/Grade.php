<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Statistics\Beta;

/** How practice rates one of the two questions on a pair. */
enum Grade: string
{
    case Strong = 'strong';
    case Fair = 'fair';
    case Poor = 'poor';
    case Never = 'never';

    /** The grade as a belief worth ten runs (our own choice of weight). */
    public function prior(): Beta
    {
        return match ($this) {
            self::Strong => new Beta(9.5, 0.5),
            self::Fair => new Beta(7, 3),
            self::Poor => new Beta(2, 8),
            self::Never => new Beta(0.5, 9.5),
        };
    }
}
