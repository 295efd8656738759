<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Catalogue\CatalogueLoader;
use App\Platform\Contract\Contract;
use App\Platform\Contract\Excerpt;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Yaml\Yaml;

/** The written contract and the application are one. */
final class ContractTest extends KernelTestCase
{
    public function testEveryRouteIsAnOperationAndEveryOperationARoute(): void
    {
        $router = self::getContainer()->get(RouterInterface::class);
        self::assertInstanceOf(RouterInterface::class, $router);
        $routes = [];
        foreach ($router->getRouteCollection() as $name => $route) {
            if (str_starts_with($route->getPath(), '/api/')) {
                $routes[$name] = strtolower(implode(',', $route->getMethods())).' '.$route->getPath();
            }
        }
        $operations = [];
        foreach (get_object_vars(self::contract()->document()->paths) as $path => $methods) {
            foreach (get_object_vars($methods) as $method => $operation) {
                $operations[$operation->operationId] = "$method $path";
            }
        }
        ksort($routes);
        ksort($operations);
        self::assertSame($operations, $routes);
    }

    public function testEveryChangeSaysWhatItTakesAndWhatCanGoWrong(): void
    {
        foreach (get_object_vars(self::contract()->document()->paths) as $path => $methods) {
            foreach (get_object_vars($methods) as $method => $operation) {
                if ('get' !== $method && 'delete' !== $method) {
                    self::assertFalse(
                        $operation->requestBody->content->{'application/json'}->schema->additionalProperties ?? false,
                        "$method $path takes anything.",
                    );
                }
                if (!\in_array($operation->operationId, ['alive', 'getNetwork', 'getSession'], true)) {
                    self::assertTrue(isset($operation->responses->default), "$method $path");
                }
            }
        }
    }

    public function testAnExcerptHasAllThatItRefersTo(): void
    {
        $document = self::contract()->document();
        $whole = \strlen((string) json_encode($document));
        foreach (get_object_vars($document->paths) as $methods) {
            foreach (get_object_vars($methods) as $operation) {
                $pointer = self::contract()->operation($operation->operationId).'/requestBody/content/application~1json/schema';
                $excerpt = Excerpt::of($document, $pointer);
                $text = (string) json_encode($excerpt, \JSON_UNESCAPED_SLASHES);
                self::assertLessThan($whole / 2, \strlen($text), $operation->operationId);
                preg_match_all('~"\\$ref":"#/components/schemas/(\w+)"~', $text, $named);
                foreach (array_unique($named[1]) as $name) {
                    self::assertEquals(
                        $document->components->schemas->{$name},
                        $excerpt->components->schemas->{$name} ?? null,
                        "$operation->operationId needs $name.",
                    );
                }
            }
        }
        self::assertEquals(new \stdClass(), Excerpt::of($document, '/no/where')->no ?? new \stdClass());
    }

    public function testAFaultInsideWhatMayBeEmptyNamesItsField(): void
    {
        $choose = [
            'materialId' => 'pla',
            'printerId' => '01a21069-0d5e-7462-8f3a-38958df615d9',
            'lotId' => null,
            'roomC' => 20,
            'partCount' => 1,
            'jobMinutes' => null,
        ];
        $part = ['contactAreaMm2' => 100, 'outlineMm' => 40, 'spanMm' => 14, 'barWidthMm' => 10, 'heightMm' => 10];
        $fields = static fn (array $body): array => array_column(
            self::contract()->errors(
                json_decode((string) json_encode($body), false),
                self::contract()->operation('choose').'/requestBody/content/application~1json/schema',
            ),
            'field',
        );
        self::assertSame([], $fields($choose));
        self::assertSame([], $fields(['part' => null] + $choose));
        self::assertSame([], $fields(['part' => $part] + $choose));
        self::assertSame(['part.spanMm'], $fields(['part' => ['spanMm' => 'long'] + $part] + $choose));
        self::assertSame(['part.heightMm'], $fields(['part' => array_diff_key($part, ['heightMm' => 1])] + $choose));
        self::assertSame(['wishes.finish'], $fields(['wishes' => ['finish' => 'fur']] + $choose));
        self::assertSame(['part'], $fields(['part' => 'small'] + $choose), 'Neither a part nor nothing.');
    }

    /** @return iterable<string, array{mixed, string, string}> value, field, words */
    public static function faults(): iterable
    {
        $lot = ['label' => 'L', 'materialId' => 'pla', 'name' => 'n', 'driedOn' => null, 'note' => ''];
        yield 'missing' => [array_diff_key($lot, ['name' => 1]), 'name', 'This is missing: fill it in.'];
        yield 'unknown' => [['extra' => 1] + $lot, 'extra', 'This is not known here: leave it out.'];
        yield 'type' => [['name' => 4] + $lot, 'name', 'This has to be text.'];
        yield 'too short' => [['label' => ''] + $lot, 'label', 'Write at least 1 characters.'];
        yield 'too long' => [['label' => str_repeat('x', 61)] + $lot, 'label', 'Write at most 60 characters.'];
        yield 'date' => [['driedOn' => 'yesterday'] + $lot, 'driedOn', 'This has to be a date.'];
        yield 'form' => [['materialId' => 'P L A'] + $lot, 'materialId', 'This is not in the right form.'];
    }

    #[DataProvider('faults')]
    public function testAFaultHasAFieldAndASentence(mixed $value, string $field, string $words): void
    {
        $errors = self::contract()->errors(json_decode((string) json_encode($value)), '/components/schemas/NewLot');
        self::assertSame([['field' => $field, 'message' => $words]], $errors);
    }

    /** @return iterable<array{mixed, string, string}> */
    public static function numbers(): iterable
    {
        $plan = ['reliability' => 0.9, 'confidence' => 0.9, 'failuresAllowed' => 0];
        yield [['reliability' => 0.1] + $plan, 'reliability', 'Enter 0.5 or more.'];
        yield [['confidence' => 1] + $plan, 'confidence', 'Enter 0.99 or less.'];
        yield [['failuresAllowed' => 0.5] + $plan, 'failuresAllowed', 'This has to be a whole number.'];
        yield [['failuresAllowed' => '0'] + $plan, 'failuresAllowed', 'This has to be a whole number.'];
    }

    #[DataProvider('numbers')]
    public function testNumbersAreHeldWithinTheirBounds(mixed $value, string $field, string $words): void
    {
        $errors = self::contract()->errors(json_decode((string) json_encode($value)), '/components/schemas/AcceptancePlan');
        self::assertSame([['field' => $field, 'message' => $words]], $errors);
    }

    public function testChoicesAndLists(): void
    {
        self::assertSame('This is not one of the choices.', self::contract()->errors('soup', '/components/schemas/Outcome')[0]['message']);
        $plate = json_decode((string) json_encode([
            'number' => 'P',
            'widthMm' => 0,
            'depthMm' => 1,
            'heldBy' => 'magnet',
            'printerId' => null,
            'note' => '',
            'sides' => [],
        ]));
        self::assertEqualsCanonicalizing(
            [['field' => 'widthMm', 'message' => 'Enter more than 0.'], ['field' => 'sides', 'message' => 'Choose at least 1.']],
            self::contract()->errors($plate, '/components/schemas/NewPlate'),
        );
    }

    public function testEveryCatalogueFileIsHeldAgainstItsSchema(): void
    {
        $folder = \dirname(__DIR__, 2).'/catalogue';
        foreach (['materials', 'surfaces', 'agents', 'pairings'] as $name) {
            $data = Yaml::parseFile("$folder/$name.yaml");
            self::assertIsArray($data);
            $data[0]['basis'] = 'hearsay';
            $schema = json_decode((string) file_get_contents("$folder/schema/$name.schema.json"));
            self::assertInstanceOf(\stdClass::class, $schema);
            self::assertFalse((new Validator())->validate(json_decode((string) json_encode($data)), $schema)->isValid(), "$name takes a fact without a basis.");
        }
        $loader = self::getContainer()->get(CatalogueLoader::class);
        self::assertInstanceOf(CatalogueLoader::class, $loader);
        self::assertNotSame([], $loader->load()->materials);
    }

    public function testWhatIsExportedFitsThePublishedSchema(): void
    {
        $schema = json_decode((string) file_get_contents(\dirname(__DIR__, 2).'/docs/schemas/profile.schema.json'));
        self::assertInstanceOf(\stdClass::class, $schema);
        self::assertSame('https://json-schema.org/draft/2020-12/schema', $schema->{'$schema'});
        self::assertFalse($schema->additionalProperties);
    }

    private static function contract(): Contract
    {
        $contract = self::getContainer()->get(Contract::class);
        self::assertInstanceOf(Contract::class, $contract);

        return $contract;
    }
}
