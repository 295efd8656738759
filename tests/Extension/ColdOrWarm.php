<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Test\Question\PlanQuestion;
use Sitzplatz\Test\Question\PlanStart;
use Sitzplatz\Test\Question\SetupDraft;
use Sitzplatz\Words\OwnText;

/** A question that somebody adds. */
final readonly class ColdOrWarm implements PlanQuestion
{
    public function key(): string
    {
        return 'cold_or_warm';
    }

    public function words(): OwnText
    {
        return new OwnText('Does it need the heater?');
    }

    public function answer(): OwnText
    {
        return new OwnText('An answer is whether the cold bed holds.');
    }

    public function asksOf(bool $filament): bool
    {
        return $filament;
    }

    public function inTurn(): bool
    {
        return false;
    }

    public function setups(PlanStart $start): array
    {
        $warm = $start->first();

        return [new SetupDraft($warm->sideId, $warm->agentId, null, null, true), $warm];
    }
}
