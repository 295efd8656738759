<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The plate does not fit the printer, or the job does not fit the plate. A plate may lie either way round. */
final readonly class PlateSizeGate implements GateOfLimits
{
    /** A plate may stand over its bed by so much: 258 mm on a machine sold as 256 is the ordinary pair (common practice), mm. */
    private const OVERHANG_MM = 5.0;

    public function refuses(Proposal $proposal): ?Sentence
    {
        $side = $proposal->side;
        $printer = $proposal->job->printer;
        $over = $printer->bedRound ? 0.0 : self::OVERHANG_MM;
        if (!self::fits($side->widthMm, $side->depthMm, $side->round, $printer->bedWidthMm + $over, $printer->bedDepthMm + $over, $printer->bedRound)) {
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
        if (null === $width || null === $depth) {
            return null;
        }
        [$printWidth, $printDepth] = $printer->printAreaMm();
        if (!self::fits($width, $depth, false, $printWidth, $printDepth, $printer->bedRound)) {
            return Sentence::of(
                'gate.job_beyond_print_area',
                width: Quantity::millimetres($width, 1),
                depth: Quantity::millimetres($depth, 1),
                printer: $printer->name,
                printWidth: Quantity::millimetres($printWidth, 1),
                printDepth: Quantity::millimetres($printDepth, 1),
            );
        }

        return self::fits($width, $depth, false, $side->widthMm, $side->depthMm, $side->round) ? null : Sentence::of(
            'gate.job_too_large',
            width: Quantity::millimetres($width, 1),
            depth: Quantity::millimetres($depth, 1),
            side: $side->label,
            sideWidth: Quantity::millimetres($side->widthMm, 1),
            sideDepth: Quantity::millimetres($side->depthMm, 1),
        );
    }

    /** Turned by a quarter if need be; into a round place goes what its diagonal, or its own diameter, lets in. */
    private static function fits(float $width, float $depth, bool $round, float $intoWidth, float $intoDepth, bool $intoRound): bool
    {
        return $intoRound
            ? ($round ? max($width, $depth) : hypot($width, $depth)) <= min($intoWidth, $intoDepth) + 1e-9
            : min($width, $depth) <= min($intoWidth, $intoDepth) + 1e-9 && max($width, $depth) <= max($intoWidth, $intoDepth) + 1e-9;
    }
}
