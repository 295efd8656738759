<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/**
 * Something to be said, without the words for it: a key with named parameters. It is worded outside the core, in the
 * language and the units of whoever reads it. A key that a record may hold is never removed.
 */
final readonly class Sentence implements Phrase
{
    /** @param array<string, Phrase> $with by the name of the parameter */
    private function __construct(public string $key, public array $with)
    {
    }

    /** @param Phrase|string ...$with by name; a string is a name as somebody wrote it */
    public static function of(string $key, Phrase|string ...$with): self
    {
        $named = [];
        foreach ($with as $name => $phrase) {
            $named[(string) $name] = \is_string($phrase) ? new OwnText($phrase) : $phrase;
        }

        return new self($key, $named);
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'with' => array_map(static fn (Phrase $phrase): array => $phrase->toArray(), $this->with)];
    }
}
