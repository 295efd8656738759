<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Phrase;

/** A test piece that is drawn to measure: one class, registered, and nothing else. */
interface PieceDesign
{
    /** Lower case letters and _. */
    public function key(): string;

    public function words(): Phrase;

    /** What it is for, and how it is read. */
    public function purpose(): Phrase;

    /** @return list<PieceInput> */
    public function inputs(): array;

    /**
     * Closed solids that stand on the plate at z = 0.
     *
     * @param array<string, float> $values of every input, within its range
     * @param int|null             $number raised on top where there is room; null: none
     *
     * @return list<Solid>
     *
     * @throws BadPiece if they do not go together
     */
    public function solids(array $values, ?int $number): array;
}
