<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The plate does not fit the printer, or the job does not fit the plate. A plate may lie either way round. */
final readonly class PlateSizeGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $side = $proposal->side;
        $printer = $proposal->job->printer;
        if (!self::fits($side->widthMm, $side->depthMm, $printer->bedWidthMm, $printer->bedDepthMm)) {
            return Sentence::of(
                'gate.plate_too_large',
                side: $side->label,
                width: Quantity::millimetres($side->widthMm, 1),
                depth: Quantity::millimetres($side->depthMm, 1),
                printer: $printer->name,
                bedWidth: Quantity::millimetres($printer->bedWidthMm, 1),
                bedDepth: Quantity::millimetres($printer->bedDepthMm, 1),
            );
        }
        $width = $proposal->job->widthMm;
        $depth = $proposal->job->depthMm;
        if (null !== $width && null !== $depth && !self::fits($width, $depth, $side->widthMm, $side->depthMm)) {
            return Sentence::of(
                'gate.job_too_large',
                width: Quantity::millimetres($width, 1),
                depth: Quantity::millimetres($depth, 1),
                side: $side->label,
                sideWidth: Quantity::millimetres($side->widthMm, 1),
                sideDepth: Quantity::millimetres($side->depthMm, 1),
            );
        }

        return null;
    }

    private static function fits(float $width, float $depth, float $intoWidth, float $intoDepth): bool
    {
        return min($width, $depth) <= min($intoWidth, $intoDepth) && max($width, $depth) <= max($intoWidth, $intoDepth);
    }
}
