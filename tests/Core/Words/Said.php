<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Words;

use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Writes what the core says as keys, names and quantities in its own units: "gate.nozzle side=P01 front nozzle=290 limit=270". */
final class Said
{
    public static function of(?Phrase $phrase): string
    {
        return match (true) {
            null === $phrase => '',
            $phrase instanceof Sentence => self::sentence($phrase),
            $phrase instanceof Quantity => (string) round($phrase->value, 4),
            $phrase instanceof CatalogueText => $phrase->english,
            $phrase instanceof OwnText => $phrase->text,
            $phrase instanceof Day => $phrase->iso,
            $phrase instanceof Listing => '['.implode('; ', self::all($phrase->items)).']',
            default => throw new \LogicException($phrase::class),
        };
    }

    /**
     * @param iterable<?Phrase> $phrases
     *
     * @return list<string>
     */
    public static function all(iterable $phrases): array
    {
        $said = [];
        foreach ($phrases as $phrase) {
            $said[] = self::of($phrase);
        }

        return $said;
    }

    private static function sentence(Sentence $sentence): string
    {
        $words = [$sentence->key];
        foreach ($sentence->with as $name => $phrase) {
            $said = self::of($phrase);
            $words[] = $name.'='.($phrase instanceof Sentence && [] !== $phrase->with ? "($said)" : $said);
        }

        return implode(' ', $words);
    }
}
