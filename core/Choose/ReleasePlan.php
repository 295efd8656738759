<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Heat\Cooling;

/** How a part is taken off: wait until when, how, what not to do, and what it costs when done hot. */
final readonly class ReleasePlan
{
    /**
     * @param list<array{way: string, words: string, minutes: float|null}> $waits
     * @param list<string>                                                 $steps
     * @param list<string>                                                 $never
     */
    private function __construct(
        /** Wait until the surface is at it, °C; null: cooling is not what frees the part. */
        public ?float $belowC,
        public array $waits,
        public array $steps,
        public array $never,
        /** What pulling hot costs; "" where there is no heat. */
        public string $doneHot,
    ) {
    }

    /** @param array<string, float|null> $coolingSeconds by way; null: it never gets there */
    public static function for(Candidate $candidate, array $coolingSeconds): self
    {
        $surface = $candidate->proposal->surface;
        $pairing = $candidate->pairing;
        $heated = null !== $candidate->target->displayC;
        $waits = [];
        foreach (Cooling::cases() as $way) {
            if ($heated && \array_key_exists($way->value, $coolingSeconds)) {
                $seconds = $coolingSeconds[$way->value];
                $waits[] = ['way' => $way->value, 'words' => $way->words(), 'minutes' => null === $seconds ? null : $seconds / 60];
            }
        }
        $steps = array_values(array_filter([
            $heated && null !== $pairing->releaseC ? \sprintf('Switch the bed off and wait until the surface is at %.0f °C or less. Cracking on the way is the part letting go.', $pairing->releaseC) : null,
            $pairing->releaseWay,
            $surface->flexes ? 'Hold the plate by its tabs, both hands, and flex it away from the face.' : 'Tap a large part at its foot with something soft before any tool.',
            $surface->freezes && $heated ? 'Stubborn: cold plate with its part into a freezer for about 10 minutes, then flex.' : null,
        ]));

        return new self($heated ? $pairing->releaseC : null, $waits, $steps, array_values(array_filter([
            $heated ? 'Never pull while it is hot.' : null,
            $surface->flexes ? 'No spatula: flexing is safer for hand and plate.' : 'Never pry towards the hand, and never cut into the surface.',
            $surface->freezes || !$heated ? null : 'Not into a freezer: this surface cracks or comes loose by thermal shock.',
            $heated ? 'A hot plate is held with paper or a glove.' : null,
        ])), $heated ? $surface->doneHot : '');
    }
}
