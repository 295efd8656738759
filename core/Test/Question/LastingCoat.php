<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\Design;
use Sitzplatz\Words\Sentence;

/** One coat after the other, each printed on until it has seen its prints, on the same spot: for how many it holds and lets go. */
final readonly class LastingCoat implements PlanQuestion, ShapesPlan
{
    /** One coat alone would not show how much the putting on of it changes. */
    public const COATS = 2;
    /** What most coats are said to last at least (trade notes, section 4). */
    public const PRINTS = 8;

    public function key(): string
    {
        return 'lasting_coat';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.lasting_coat');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.lasting_coat_answer');
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
        $first = $start->first();

        return [null === $first->agentId && isset($start->gripAgentIds[0]) ? $first->withAgent($start->gripAgentIds[0]) : $first];
    }

    public function shape(PlanShape $usual): PlanShape
    {
        return new PlanShape(Design::Fixed, self::COATS * self::PRINTS, 0, self::COATS, $usual->pulls, coatStays: true);
    }
}
