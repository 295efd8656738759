<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** Several phrases in a row. */
final readonly class Listing implements Phrase
{
    /** @param list<Phrase> $items */
    private function __construct(public array $items, public Joined $joined)
    {
    }

    /** @param iterable<Phrase|string> $items a string is a name as somebody wrote it */
    public static function of(iterable $items, Joined $joined = Joined::And): self
    {
        $list = [];
        foreach ($items as $item) {
            $list[] = \is_string($item) ? new OwnText($item) : $item;
        }

        return new self($list, $joined);
    }

    public function toArray(): array
    {
        return ['list' => array_map(static fn (Phrase $item): array => $item->toArray(), $this->items), 'joined' => $this->joined->value];
    }
}
