<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Shape\BadShape;

/** Until when a file may be read, by the clock. */
final readonly class Deadline
{
    /** @param int|null $until ns of the running clock; null: as long as it takes */
    private function __construct(private ?int $until)
    {
    }

    public static function none(): self
    {
        return new self(null);
    }

    public static function in(float $seconds): self
    {
        return new self((int) (hrtime(true) + 1e9 * $seconds));
    }

    /** @throws BadShape if it has passed */
    public function check(): void
    {
        if (null !== $this->until && hrtime(true) > $this->until) {
            throw BadShape::tooLong();
        }
    }
}
