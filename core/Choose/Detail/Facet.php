<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/** One thing in which two setups are held against each other; null: it does not come to that, or it is not known. */
final readonly class Facet
{
    public Sentence $name;
    public bool $same;

    public function __construct(public string $id, public ?Phrase $one, public ?Phrase $other)
    {
        $this->name = Sentence::of('facet.'.$id);
        // As it is held, not as it is said: what differs by less than is said is the same.
        $this->same = self::said($one) === self::said($other);
    }

    private static function said(?Phrase $phrase): string
    {
        return serialize(null === $phrase ? null : self::rounded($phrase->toArray()));
    }

    /**
     * @param array<mixed> $said
     *
     * @return array<mixed> with every figure to its step
     */
    private static function rounded(array $said): array
    {
        if (isset($said['quantity'], $said['value'], $said['step']) && $said['step'] > 0) {
            return [$said['quantity'], (int) round($said['value'] / $said['step']), $said['step']];
        }

        return array_map(static fn (mixed $each): mixed => \is_array($each) ? self::rounded($each) : $each, $said);
    }
}
