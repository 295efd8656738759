<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** What a shop has learned that one material may ask for: of holding, and of coming off. */
final readonly class Knowledge
{
    public function __construct(public Posterior $held, public Posterior $released)
    {
    }

    /** Before anything was printed. */
    public static function ofPractice(): self
    {
        return new self(Posterior::unlearned(Spreads::usual(Success::Held)), Posterior::unlearned(Spreads::usual(Success::Released)));
    }
}
