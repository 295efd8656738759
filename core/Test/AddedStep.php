<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Phrase;

/** A step that a shop puts among those of every run sheet: one class, registered, and nothing else. */
interface AddedStep extends SheetStep
{
    public function words(): Phrase;

    /** The step that it follows; of two that follow the same, the one registered first comes first. */
    public function after(): RunStep;

    /** @return list<Phrase> what to do */
    public function lines(): array;

    /** @return list<Phrase> */
    public function cautions(): array;

    /** Null: it takes as long as it takes. */
    public function timerSeconds(): ?int;
}
