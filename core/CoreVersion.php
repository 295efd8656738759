<?php

declare(strict_types=1);

namespace Sitzplatz;

/** The version of the rules and sums: raised with every change that can change a verdict. */
final class CoreVersion
{
    public const NUMBER = '4.0';
}
