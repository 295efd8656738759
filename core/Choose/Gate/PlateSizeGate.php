<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The plate does not fit the printer, or the job does not fit the plate. A plate may lie either way round. */
final readonly class PlateSizeGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $side = $proposal->side;
        $printer = $proposal->job->printer;
        if (!self::fits($side->widthMm, $side->depthMm, $printer->bedWidthMm, $printer->bedDepthMm)) {
            return \sprintf(
                '%s is %.0f × %.0f mm; the bed of %s takes %.0f × %.0f mm.',
                $side->label,
                $side->widthMm,
                $side->depthMm,
                $printer->name,
                $printer->bedWidthMm,
                $printer->bedDepthMm,
            );
        }
        $width = $proposal->job->widthMm;
        $depth = $proposal->job->depthMm;
        if (null !== $width && null !== $depth && !self::fits($width, $depth, $side->widthMm, $side->depthMm)) {
            return \sprintf('The job needs %.0f × %.0f mm; %s has %.0f × %.0f mm.', $width, $depth, $side->label, $side->widthMm, $side->depthMm);
        }

        return null;
    }

    private static function fits(float $width, float $depth, float $intoWidth, float $intoDepth): bool
    {
        return min($width, $depth) <= min($intoWidth, $intoDepth) && max($width, $depth) <= max($intoWidth, $intoDepth);
    }
}
