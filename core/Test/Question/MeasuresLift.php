<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\TestPiece;

/** A question that lift answers and nothing else does, at a bar of its own. */
interface MeasuresLift
{
    /** Its name is left to whoever says it. */
    public function piece(): TestPiece;

    /** Of the design of the piece. */
    public function pieceKey(): string;
}
