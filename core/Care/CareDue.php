<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a plate side is due for, by the prints since it was last done (common practice: every 5 to 10 prints). */
final readonly class CareDue
{
    public const PRINTS_PER_WASH = 10;
    public const PRINTS_PER_COAT = 8;

    public function __construct(
        public int $printsSinceWash,
        /** Null: the side is bare. */
        public ?int $printsSinceCoat,
    ) {
    }

    /** @return list<Sentence> */
    public function sentences(): array
    {
        $due = [];
        if ($this->printsSinceWash >= self::PRINTS_PER_WASH) {
            $due[] = Sentence::of('care.wash', prints: Quantity::count($this->printsSinceWash));
        }
        if (null !== $this->printsSinceCoat && $this->printsSinceCoat >= self::PRINTS_PER_COAT) {
            $due[] = Sentence::of('care.coat', prints: Quantity::count($this->printsSinceCoat));
        }

        return $due;
    }
}
