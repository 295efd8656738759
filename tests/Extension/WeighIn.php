<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Test\AddedStep;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Words\OwnText;

/** A step of the run sheet that somebody adds. */
final readonly class WeighIn implements AddedStep
{
    public function key(): string
    {
        return 'weigh_in';
    }

    public function occupiesPrinter(bool $plateFixed): bool
    {
        return $plateFixed;
    }

    public function words(): OwnText
    {
        return new OwnText('Weigh the part');
    }

    public function after(): RunStep
    {
        return RunStep::Inspect;
    }

    public function lines(): array
    {
        return [new OwnText('Put it on the scale.')];
    }

    public function cautions(): array
    {
        return [];
    }

    public function timerSeconds(): int
    {
        return 30;
    }
}
