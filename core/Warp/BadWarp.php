<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Sentence;

/** The curl of a part was asked for with figures that cannot be. */
final class BadWarp extends Fault
{
    public static function layers(): self
    {
        return new self(Sentence::of('warp.layers'));
    }

    /** @param string $what length, layer_height, expansion, width, height, modulus */
    public static function notPositive(string $what): self
    {
        return new self(Sentence::of('warp.not_positive', what: Sentence::of('warp.what.'.$what)));
    }
}
