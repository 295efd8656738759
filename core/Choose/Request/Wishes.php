<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Words\Sentence;

/** What somebody would like beyond a part that holds and lets go. */
final readonly class Wishes
{
    /** @param list<Criterion>|null $order null: the usual one */
    public function __construct(
        public ?Finish $finish = null,
        /** The part has to be exactly as high as drawn: no texture underneath. */
        public bool $exactHeight = false,
        public bool $bareFirst = false,
        public bool $lowEnergy = false,
        private ?array $order = null,
    ) {
    }

    /** @return list<Criterion> */
    public function order(): array
    {
        $order = $this->order ?? Criterion::usual();
        if ($this->lowEnergy && !\in_array(Criterion::Energy, $order, true)) {
            // Right behind the chance: a part that fails has used its energy for nothing.
            array_splice(
                $order,
                \in_array(Criterion::Chance, $order, true) ? 1 + (int) array_search(Criterion::Chance, $order, true) : 0,
                0,
                [Criterion::Energy],
            );
        }

        return $this->bareFirst ? [
            Criterion::Consumable,
            ...array_values(array_filter($order, static fn (Criterion $c): bool => Criterion::Consumable !== $c)),
        ] : $order;
    }

    /** @return list<Sentence> which wishes this surface does not meet */
    public function missedBy(Surface $surface, ?Agent $agent = null): array
    {
        return array_values(array_filter([
            null !== $this->finish && $this->finish->value !== $surface->finish ? Sentence::of(
                'wish.finish',
                has: Sentence::of('finish.'.$surface->finish),
                wanted: Sentence::of('finish.'.$this->finish->value),
            ) : null,
            null !== $this->finish && true === $agent?->traces ? Sentence::of('wish.traces', agent: $agent->name) : null,
            $this->exactHeight && $surface->textured() ? Sentence::of('wish.exact_height') : null,
        ]));
    }
}
