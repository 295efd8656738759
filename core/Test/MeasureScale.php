<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What kind of value a measure has, and so how it is entered, summed up and drawn. */
enum MeasureScale: string
{
    /** With a unit; has a mean. */
    case Continuous = 'continuous';
    /** Levels in order, counted from 0; has counts. */
    case Ordinal = 'ordinal';
    /** 1 or 0; has a rate. */
    case YesNo = 'yes_no';
}
