<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** Makes a phrase again from what a record holds of it. */
final class Stored
{
    private const DEEPEST = 12;

    /** @return Phrase|null null if these data are no phrase that this version knows */
    public static function phrase(mixed $data, int $depth = 0): ?Phrase
    {
        if (!\is_array($data) || $depth > self::DEEPEST) {
            return null;
        }
        if (\is_string($data['key'] ?? null) && \is_array($data['with'] ?? [])) {
            $with = [];
            foreach ($data['with'] ?? [] as $name => $each) {
                $phrase = self::phrase($each, $depth + 1);
                if (null === $phrase) {
                    return null;
                }
                $with[(string) $name] = $phrase;
            }

            return Sentence::of($data['key'], ...$with);
        }
        if (\is_array($data['list'] ?? null)) {
            $items = array_map(static fn (mixed $item): ?Phrase => self::phrase($item, $depth + 1), array_values($data['list']));
            $joined = Joined::tryFrom(self::text($data['joined'] ?? ''));

            return null === $joined || \in_array(null, $items, true) ? null : Listing::of($items, $joined);
        }
        $kind = QuantityKind::tryFrom(self::text($data['quantity'] ?? ''));

        return match (true) {
            null !== $kind && is_numeric($data['value'] ?? null) => Quantity::make(
                $kind,
                (float) $data['value'],
                is_numeric($data['step'] ?? null) ? (float) $data['step'] : null,
            ),
            \is_string($data['own'] ?? null) => new OwnText($data['own']),
            \is_string($data['catalogue'] ?? null) && \is_string($data['english'] ?? null) => new CatalogueText($data['catalogue'], $data['english']),
            \is_string($data['day'] ?? null) => new Day($data['day']),
            default => null,
        };
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
