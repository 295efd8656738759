<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Phrase;

/** What a comparison is asked: one class a kind of question, which lays out the setups that answer it. */
interface PlanQuestion
{
    /** Lower case, at most 30 letters; stored with the comparison. */
    public function key(): string;

    /** The question as a technician would put it. */
    public function words(): Phrase;

    /** What will count as an answer. */
    public function answer(): Phrase;

    public function asksOf(bool $filament): bool;

    /** Whether setups are rungs that are tried one after the other, and the first that passes ends it. */
    public function inTurn(): bool;

    /**
     * The setups that would answer it, beginning from what lies on the bench; those that cannot be made are sorted out by
     * whoever asks.
     *
     * @return list<SetupDraft>
     */
    public function setups(PlanStart $start): array;
}
