<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Words\Figures;
use App\Platform\Words\Units;
use App\Platform\Words\Wording;
use PHPUnit\Framework\Attributes\DataProvider;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Judge\Verdict;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Tests\ShownFigures;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;
use Sitzplatz\Words\Stored;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Yaml\Yaml;

/** Words, figures and units stand in one place; factors from NIST SP 811 (from memory). */
final class WordingTest extends KernelTestCase
{
    public function testAnOwnNameIsLeftAsItWasGiven(): void
    {
        self::bootKernel();
        $wording = self::getContainer()->get(Wording::class);
        self::assertInstanceOf(Wording::class, $wording);
        $of = static fn (Phrase $side): string => $wording->english(Sentence::of('gate.stays_elsewhere', side: $side));
        self::assertSame('sA-258 stays on its own printer.', $of(new OwnText('sA-258')));
        self::assertSame('Smooth PEI stays on its own printer.', $of(new CatalogueText('surface.pei_smooth.name', 'smooth PEI')), 'A name of the catalogue begins a sentence as any word.');
    }

    /** @return iterable<string, array{Quantity, string, string}> SI, then °F, lbf and in */
    public static function quantities(): iterable
    {
        yield 'a temperature' => [Quantity::celsius(60), '60 °C', '140 °F'];
        yield 'half a degree' => [Quantity::celsius(60.5), '60.5 °C', '140.9 °F'];
        yield 'a difference has no offset' => [Quantity::kelvin(5), '5 °C', '9 °F'];
        yield 'a force' => [Quantity::newtons(20), '20 N', '4.5 lbf'];
        yield 'a force between two steps' => [Quantity::newtons(17.84), '17.8 N', '4.01 lbf'];
        yield 'a stress, 1 MPa is 145.04 psi' => [Quantity::megapascals(1), '1 MPa', '145 psi'];
        yield 'a modulus' => [Quantity::megapascals(2200, 10), '2.2 GPa', '319,000 psi'];
        yield 'a length' => [Quantity::millimetres(25.4), '25.4 mm', '1 in'];
        yield 'a brim' => [Quantity::millimetres(4, 0.1), '4 mm', '0.157 in'];
        yield 'an area, 1 in² is 645.16 mm²' => [Quantity::squareMillimetres(645.16), '645 mm²', '1 in²'];
        yield 'a speed' => [Quantity::millimetresPerSecond(50.8), '51 mm/s', '2 in/s'];
        yield 'a share' => [Quantity::share(0.954), '95 %', '95 %'];
        yield 'seconds' => [Quantity::seconds(95), '95 s', '95 s'];
        yield 'a few minutes' => [Quantity::seconds(150), '2.5 min', '2.5 min'];
        yield 'minutes' => [Quantity::minutes(24.4), '24 min', '24 min'];
        yield 'hours' => [Quantity::minutes(605), '10 h 05 min', '10 h 05 min'];
        yield 'whole hours' => [Quantity::minutes(720), '12 h', '12 h'];
        yield 'money keeps its zeros' => [Quantity::money(1.5), '1.50', '1.50'];
        yield 'a small resistance' => [Quantity::thermalResistance(0.0003), '3·10⁻⁴ m²K/W', '3·10⁻⁴ m²K/W'];
        yield 'an expansion, 90e-6/K is 50e-6/°F' => [Quantity::expansion(90e-6), '90 10⁻⁶/K', '50 10⁻⁶/°F'];
        yield 'a count' => [Quantity::count(1200), '1,200', '1,200'];
        yield 'never a negative nought' => [Quantity::newtons(-0.01), '0 N', '0 lbf'];
    }

    #[DataProvider('quantities')]
    public function testAQuantityIsSaidInTheReadersUnitsAsFinelyAsItIsWorth(Quantity $quantity, string $si, string $customary): void
    {
        $foot = Units::named('F,lbf,in');
        self::assertNotNull($foot);
        self::assertSame($si, self::plain(self::wording()->wordsIn($quantity, new Units())));
        self::assertSame($customary, self::plain(self::wording()->wordsIn($quantity, $foot)));
    }

    public function testASentenceNeverMixesUnits(): void
    {
        $sentence = Sentence::of(
            'target.lowered',
            set: Quantity::celsius(54),
            usual: Quantity::celsius(55),
            stop: Sentence::of('stop.magnet', printer: 'North bay'),
            at: Quantity::celsius(54),
        );
        self::assertSame('54 °C instead of the usual 55 °C: the magnets of North bay hold up to 54 °C.', self::plain(self::wording()->english($sentence)));
        self::assertSame(
            '129.2 °F instead of the usual 131 °F: the magnets of North bay hold up to 129.2 °F.',
            self::plain(self::wording()->wordsIn($sentence, Units::preferred(['temperature' => '°F']))),
        );
    }

    public function testOneAndManyListsAndTheFirstLetter(): void
    {
        $say = static fn (Phrase $phrase): string => self::plain(self::wording()->english($phrase));
        self::assertSame('The plate was damaged in 1 run.', $say(Sentence::of('release.damaged', runs: Quantity::count(1))));
        self::assertSame('The plate was damaged in 2 runs.', $say(Sentence::of('release.damaged', runs: Quantity::count(2))));
        self::assertSame('a, b and c', $say(Listing::of(['a', 'b', 'c'])));
        self::assertSame('a or b', $say(Listing::of(['a', 'b'], Joined::Or)));
        self::assertSame('a; b', $say(Listing::of(['a', 'b'], Joined::Semicolon)));
        self::assertSame('a', $say(Listing::of(['a'])));
        $glue = new CatalogueText('agent.pva_stick.name', 'glue stick');
        self::assertSame('Glue stick does harm on textured PEI.', $say(Sentence::of('gate.harmful', agent: $glue, surface: 'textured PEI')));
        self::assertSame('Nov 3, 2026', $say(new Day('2026-11-03')));
    }

    public function testARecordKeepsKeyQuantitiesAndEnglishAndIsReadInTheReadersUnits(): void
    {
        $wording = self::wording();
        $sentence = Sentence::of('off.wait', below: Quantity::celsius(40));
        $record = json_decode(json_encode($wording->record(['way' => $sentence, 'n' => 3]), \JSON_THROW_ON_ERROR), true);
        self::assertSame('off.wait', $record['way']['key']);
        self::assertSame('temperature', $record['way']['with']['below']['quantity']);
        self::assertStringContainsString('40', $record['way']['text']);
        self::assertSame(['way' => $wording->text($sentence), 'n' => 3], $wording->recall($record));
        $record['way']['key'] = 'a.key.of.an.older.version';
        self::assertSame($record['way']['text'], $wording->recall($record)['way'], 'What this version knows no more is shown as it was written.');
        self::assertSame('as it was', $wording->recall(['key' => ['broken'], 'text' => 'as it was']));
        $deep = ['own' => 'x', 'text' => 'x'];
        for ($i = 0; $i < 50; ++$i) {
            $deep = ['list' => [$deep], 'joined' => 'and', 'text' => 'too deep'];
        }
        self::assertSame('too deep', $wording->recall($deep), 'An imported record cannot make it dig for ever.');
    }

    public function testEveryPhraseComesBackFromARecordAsItWas(): void
    {
        $phrase = Sentence::of(
            'keep.put_on',
            agent: Listing::of([new OwnText('can'), new CatalogueText('agent.x.name', 'x'), new Day('2026-01-02'), Quantity::newtons(3, 0.5)], Joined::Comma),
            how: Sentence::of('candidate.bare'),
        );
        self::assertEquals($phrase, Stored::phrase(json_decode(json_encode($phrase->toArray(), \JSON_THROW_ON_ERROR), true)));
    }

    public function testEveryCaseOfWhatHasWordsHasAMessage(): void
    {
        $words = static fn (array $cases): array => array_map(static fn ($case): Sentence => $case->words(), $cases);
        $all = [
            ...$words(Effort::cases()),
            ...$words(Outcome::cases()),
            ...$words(Measure::cases()),
            ...$words(Verdict::cases()),
            ...$words(AgentRole::cases()),
            ...$words(Basis::cases()),
            ...$words(Cooling::cases()),
            ...$words(ShapeFormat::cases()),
        ];
        foreach ($all as $phrase) {
            self::assertNotSame($phrase->key, self::wording()->english($phrase));
        }
    }

    public function testEveryMessageIsWellFormed(): void
    {
        $walk = static function (array $messages) use (&$walk): void {
            foreach ($messages as $message) {
                \is_array($message) ? $walk($message) : self::assertNotNull(\MessageFormatter::create('en', $message), $message);
            }
        };
        $walk(Yaml::parseFile(__DIR__.'/../../translations/messages+intl-icu.en.yaml'));
    }

    public function testUnitsByName(): void
    {
        self::assertEquals(new Units(), Units::named(''));
        self::assertSame('°F', Units::named('°F')?->temperature->value);
        self::assertNull(Units::named('K'));
        self::assertEquals(new Units(), Units::preferred(['temperature' => 'K', 'force' => '']));
    }

    private static function wording(): Wording
    {
        $wording = self::getContainer()->get(Wording::class);
        self::assertInstanceOf(Wording::class, $wording);

        return $wording;
    }

    private static function plain(mixed $text): string
    {
        self::assertIsString($text);

        return str_replace("\u{00A0}", ' ', $text);
    }

    /**
     * @param array<string, string> $preferences
     * @param array<string, string> $shown
     */
    #[DataProvider('shown')]
    public function testTheTableOfShownFiguresIsWrittenSo(array $preferences, array $shown): void
    {
        $figures = new Figures(Units::preferred($preferences), \Locale::canonicalize($preferences['locale']) ?? 'en');
        foreach (ShownFigures::VALUES as $name => $value) {
            $kind = Shown::from($name);
            self::assertSame($shown[$name], self::plain($figures->text(Quantity::make($kind->kind(), $value, $kind->step()))), $name);
            // What the interface gets makes the same of it.
            $scale = $figures->shown()[$name];
            $number = round($scale['factor'] * $value + $scale['offset'], $scale['decimals']);
            self::assertEqualsWithDelta(self::number($shown[$name], $preferences['locale']), $number, 1e-9, $name);
        }
    }

    /** @return iterable<string, array{array<string, string>, array<string, string>}> */
    public static function shown(): iterable
    {
        foreach (ShownFigures::rows() as $name => $row) {
            yield $name => [$row['preferences'], $row['shown']];
        }
    }

    /** Words that were not workshop English; they must not come back, in the interface or from the server. */
    public function testOddEnglishDoesNotComeBack(): void
    {
        $odd = ['reckon', 'surface shall have', 'take them in', 'set it so', 'call it', 'void beside', 'magnets stand', 'the kind end of the sum', '90 % of the belief', 'print it anew', 'lines need mending', 'done hot', 'which of 1 setups', 'the first comes first'];
        $root = \dirname(__DIR__, 2);
        $said = [];
        foreach (['web/src/words/en.json', 'translations/messages+intl-icu.en.yaml', ...glob($root.'/catalogue/*.yaml') ?: []] as $file) {
            $data = Yaml::parseFile(str_starts_with($file, '/') ? $file : "$root/$file");
            self::assertIsArray($data);
            array_walk_recursive($data, static function (mixed $text) use (&$said): void {
                $said[] = \is_string($text) ? $text : '';
            });
        }
        self::assertGreaterThan(2000, \count($said));
        foreach ($odd as $words) {
            self::assertSame([], array_values(array_filter($said, static fn (string $text): bool => false !== stripos($text, $words))), $words);
        }
    }

    /** A message that names a figure twice, once to be told one from many, has to name it as a number both times. */
    public function testEveryMessageCanBeSaid(): void
    {
        $said = 0;
        foreach (glob(\dirname(__DIR__, 2).'/translations/messages+intl-icu.*.yaml') ?: [] as $file) {
            $locale = explode('.', basename($file))[1];
            $messages = new \RecursiveIteratorIterator(new \RecursiveArrayIterator((array) Yaml::parseFile($file)));
            foreach ($messages as $key => $message) {
                preg_match_all('/\{\s*(\w+)\s*(?:,\s*(\w+)|\})/', (string) $message, $arguments, \PREG_SET_ORDER);
                $with = [];
                foreach ($arguments as $argument) {
                    $with[$argument[1]] = 'plural' === ($argument[2] ?? null) ? 2 : ($with[$argument[1]] ?? 'x');
                }
                self::assertNotFalse(\MessageFormatter::formatMessage($locale, (string) $message, $with), "$key in $locale: ".intl_get_error_message());
                ++$said;
            }
        }
        self::assertGreaterThan(500, $said);
    }

    private static function number(string $text, string $locale): float
    {
        return (float) (new \NumberFormatter($locale, \NumberFormatter::DECIMAL))->parse($text);
    }
}
