<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * A print file before a run starts: whether it is the one of the plan, and in what it would make another first layer than
 * the setup has. Each difference is named; none is said to be harmless.
 */
final readonly class FileCheck
{
    /** What a display shows in whole degrees. */
    private const DEGREES = 0.6;
    /** Slicers write speeds and widths with rounding of their own. */
    private const SHARE = 0.05;

    /** @param list<Sentence> $differs */
    private function __construct(
        /** Null: the plan has no file to hold it against. */
        public ?bool $same,
        public array $differs,
    ) {
    }

    /**
     * @param string|null  $planned digest of the file of the plan
     * @param string       $digest  of the file that is to be printed
     * @param FileSettings $file    what it sets
     * @param FileSettings $wanted  what the setup has
     */
    public static function of(?string $planned, string $digest, FileSettings $file, FileSettings $wanted): self
    {
        $differs = [];
        foreach ([
            ['bed_first', $file->bedFirstC, $wanted->bedFirstC, self::DEGREES, Quantity::celsius(...)],
            // A file that never sets it keeps the bed as it was.
            ['bed_other', $file->bedOtherC ?? $file->bedFirstC, $wanted->bedOtherC, self::DEGREES, Quantity::celsius(...)],
            ['nozzle', $file->nozzleFirstC, $wanted->nozzleFirstC, self::DEGREES, Quantity::celsius(...)],
            ['speed', $file->speedMmS, $wanted->speedMmS, self::SHARE * ($wanted->speedMmS ?? 0.0), Quantity::millimetresPerSecond(...)],
            ['width', $file->lineWidthMm, $wanted->lineWidthMm, self::SHARE * ($wanted->lineWidthMm ?? 0.0), Quantity::millimetres(...)],
        ] as [$key, $has, $wants, $within, $quantity]) {
            if (null !== $has && null !== $wants && abs($has - $wants) > $within) {
                $differs[] = Sentence::of('file.'.$key, has: $quantity($has), wants: $quantity($wants));
            } elseif ('bed_first' === $key && null !== $has && $has > 0 && null === $wants) {
                $differs[] = Sentence::of('file.bed_unwanted', has: $quantity($has));
            }
        }
        if (null !== $file->brim && null !== $wanted->brim && $file->brim !== $wanted->brim) {
            $differs[] = Sentence::of($file->brim ? 'file.brim' : 'file.no_brim');
        }

        return new self(null === $planned ? null : hash_equals($planned, $digest), $differs);
    }
}
