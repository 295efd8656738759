<?php

declare(strict_types=1);

namespace App\Platform\Words;

use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Stored;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Translation\TranslatorBagInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * The one place where what the core says gets its words, in the language and the units of whoever reads. Messages are in
 * translations/messages+intl-icu.*.yaml; texts of the catalogue are as written there, or in translations/catalogue.*.yaml
 * for a further language.
 */
final class Wording
{
    /** What records are written in. */
    private const ENGLISH = 'en';
    private const CATALOGUE = 'catalogue';
    private const SAID_KEPT = 1000;

    /** @var list<string> that there are words in; figures are written as in any other too */
    private array $languages = [];
    /** @var array<string, string> the language by locale */
    private array $spoken = [];
    /** @var array<string, string> by language, message and what stands in it: a list of setups says the same of most of them */
    private array $said = [];
    /** @var array<string, Figures> by units and locale */
    private array $figures = [];

    public function __construct(
        #[Autowire(service: 'translator')]
        private readonly TranslatorInterface&TranslatorBagInterface $translator,
        private readonly Reader $reader,
        string $projectDir,
    ) {
        foreach (glob($projectDir.'/translations/messages+intl-icu.*.yaml') ?: [] as $file) {
            $this->languages[] = explode('.', basename($file))[1];
        }
    }

    public function text(Phrase $phrase): string
    {
        return $this->say($phrase, $this->reader->units(), $this->reader->locale());
    }

    /** What a record keeps beside keys and quantities: English, in SI. */
    public function english(Phrase $phrase): string
    {
        return $this->say($phrase, new Units(), self::ENGLISH);
    }

    /** The same data with every phrase in it put into words. */
    public function words(mixed $data): mixed
    {
        return $this->each($data, $this->reader->units(), $this->reader->locale());
    }

    /** The same data in English, for whoever wants other units than the reader's own. */
    public function wordsIn(mixed $data, Units $units): mixed
    {
        return $this->each($data, $units, self::ENGLISH);
    }

    /**
     * The same data as a record keeps them: every phrase as its key, its quantities and its English text.
     *
     * @return ($data is array ? array<mixed> : mixed)
     */
    public function record(mixed $data): mixed
    {
        if ($data instanceof Phrase) {
            return [...$data->toArray(), 'text' => $this->english($data)];
        }

        return \is_array($data) ? array_map($this->record(...), $data) : $data;
    }

    /**
     * What a record holds, with its phrases put into the reader's words; where this version knows a key no more, the
     * English text as it was written.
     *
     * @return ($data is array ? array<mixed> : mixed)
     */
    public function recall(mixed $data): mixed
    {
        if (!\is_array($data)) {
            return $data;
        }
        if (\is_string($data['text'] ?? null)
            && (isset($data['key'])
                || isset($data['catalogue'])
                || isset($data['own'])
                || isset($data['list'])
                || isset($data['quantity'])
                || isset($data['day']))
        ) {
            $phrase = Stored::phrase($data);

            return null === $phrase || !$this->knows($phrase) ? $data['text'] : $this->text($phrase);
        }

        return array_map($this->recall(...), $data);
    }

    /** @return array<string, array{symbol: string, factor: float, offset: float, decimals: int, zeros: bool}> how the reader's screens show figures */
    public function shown(): array
    {
        return $this->figures($this->reader->units(), $this->reader->locale())->shown();
    }

    private function each(mixed $data, Units $units, string $locale): mixed
    {
        return match (true) {
            $data instanceof Phrase => $this->say($data, $units, $locale),
            \is_array($data) => array_map(fn (mixed $each): mixed => \is_scalar($each) ? $each : $this->each($each, $units, $locale), $data),
            $data instanceof Recorded => $this->recall($data->data),
            $data instanceof \stdClass => (object) $this->each(get_object_vars($data), $units, $locale),
            default => $data,
        };
    }

    private function knows(Phrase $phrase): bool
    {
        return match (true) {
            $phrase instanceof Sentence => $this->translator->getCatalogue(self::ENGLISH)->has($phrase->key) && [] === array_filter(
                $phrase->with,
                fn (Phrase $each): bool => !$this->knows($each),
            ),
            $phrase instanceof Listing => [] === array_filter($phrase->items, fn (Phrase $each): bool => !$this->knows($each)),
            default => true,
        };
    }

    private function say(Phrase $phrase, Units $units, string $locale): string
    {
        return match (true) {
            $phrase instanceof Sentence => $this->sentence($phrase, $units, $locale),
            $phrase instanceof Quantity => QuantityKind::Duration === $phrase->kind
                ? $this->duration($phrase, $units, $locale)
                : $this->figures($units, $locale)->text($phrase),
            $phrase instanceof CatalogueText => $this->catalogued($phrase, $this->language($locale)),
            $phrase instanceof OwnText => $phrase->text,
            $phrase instanceof Day => self::day($phrase->iso, $locale),
            $phrase instanceof Listing => $this->listing($phrase, $units, $locale),
            default => throw new \LogicException($phrase::class.' has no words yet.'),
        };
    }

    /** The words for a locale: its own, else those of its language, else English. */
    private function language(string $locale): string
    {
        return $this->spoken[$locale] ??= $this->nearest($locale);
    }

    private function nearest(string $locale): string
    {
        foreach ([$locale, explode('_', $locale)[0]] as $each) {
            if (\in_array($each, $this->languages, true)) {
                return $each;
            }
        }

        return self::ENGLISH;
    }

    private function catalogued(CatalogueText $text, string $language): string
    {
        return self::ENGLISH !== $language && $this->translator->getCatalogue($language)->defines($text->id, self::CATALOGUE)
            ? $this->translator->trans($text->id, [], self::CATALOGUE, $language) : $text->english;
    }

    private function sentence(Sentence $sentence, Units $units, string $locale): string
    {
        $with = [];
        foreach ($sentence->with as $name => $phrase) {
            // A count stays a number, so that the message can tell one from many.
            $with[$name] = $phrase instanceof Quantity && QuantityKind::Count === $phrase->kind ? (int) $phrase->value : $this->say($phrase, $units, $locale);
        }
        $language = $this->language($locale);
        if (\count($this->said) >= self::SAID_KEPT) {
            $this->said = [];
        }

        $said = "$language $sentence->key ".serialize($with);

        return $this->said[$said] ??= self::whole(
            $this->translator->trans($sentence->key, $with, null, $language),
            array_map(static fn (Phrase $own): string => $own instanceof OwnText ? $own->text : '', $sentence->with),
        );
    }

    /**
     * A whole sentence begins with a capital, also where it begins with a name from the catalogue; a name that somebody gave is left
     * as it was given.
     *
     * @param array<string, string> $given
     */
    private static function whole(string $text, array $given): string
    {
        foreach ($given as $name) {
            if ('' !== $name && str_starts_with($text, $name)) {
                return $text;
            }
        }

        return \in_array($text[-1] ?? '', ['.', '?', '!'], true) ? mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1) : $text;
    }

    private function listing(Listing $listing, Units $units, string $locale): string
    {
        $items = array_map(fn (Phrase $item): string => $this->say($item, $units, $locale), $listing->items);
        $last = \count($items) > 1 && \in_array($listing->joined, [Joined::And, Joined::Or], true) ? array_pop($items) : null;
        $first = implode(match ($listing->joined) {
            Joined::Semicolon => '; ',
            Joined::Space => ' ',
            default => ', ',
        }, $items);

        return null === $last ? $first : $this->translator->trans(
            'list.'.$listing->joined->value,
            ['first' => $first, 'last' => $last],
            null,
            $this->language($locale),
        );
    }

    private function duration(Quantity $quantity, Units $units, string $locale): string
    {
        $seconds = $quantity->value;
        $figures = $this->figures($units, $locale);
        if ($seconds < 119.5) {
            return $this->unit('seconds', ['figure' => $figures->figure($seconds, 1)], $locale);
        }
        if ($seconds < 10 * 60) {
            return $this->unit('minutes', ['figure' => $figures->figure($seconds / 60, 0.1)], $locale);
        }
        $minutes = (int) round($seconds / 60);
        if ($minutes < 90) {
            return $this->unit('minutes', ['figure' => $figures->figure($minutes, 1)], $locale);
        }

        return 0 === $minutes % 60
            ? $this->unit('hours_only', ['hours' => $figures->figure(intdiv($minutes, 60), 1)], $locale)
            : $this->unit('hours', ['hours' => $figures->figure(intdiv($minutes, 60), 1), 'minutes' => \sprintf('%02d', $minutes % 60)], $locale);
    }

    /** @param array<string, string> $with */
    private function unit(string $name, array $with, string $locale): string
    {
        return str_replace(' ', "\u{00A0}", $this->translator->trans('unit.'.$name, $with, null, $this->language($locale)));
    }

    private function figures(Units $units, string $locale): Figures
    {
        return $this->figures[$units->temperature->value.$units->force->value.$units->length->value.$locale] ??= new Figures($units, $locale);
    }

    private static function day(string $iso, string $locale): string
    {
        $day = date_create_immutable($iso);
        $text = false === $day ? false : (new \IntlDateFormatter($locale, \IntlDateFormatter::MEDIUM, \IntlDateFormatter::NONE, 'UTC'))->format($day);

        return false === $text ? $iso : $text;
    }
}
