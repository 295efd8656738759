<?php

declare(strict_types=1);

namespace App\Catalogue;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Words\CatalogueText;
use Symfony\Component\Config\ConfigCache;
use Symfony\Component\Config\Resource\DirectoryResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;

/** Reads the YAML files of the catalogue, holds them against their schemas, and keeps the result as PHP. */
final readonly class CatalogueLoader
{
    private const FILES = ['materials', 'surfaces', 'agents', 'cleaners', 'layers', 'schools', 'pairings', 'checks', 'procedures'];
    /** What an entry of each file is, as the ids of texts have it. */
    private const KINDS = [
        'materials' => 'material',
        'surfaces' => 'surface',
        'agents' => 'agent',
        'cleaners' => 'cleaner',
        'layers' => 'layer',
        'schools' => 'school',
    ];
    private const TEXTS = [
        'name',
        'grip',
        'cleaning',
        'release_way',
        'done_hot',
        'cautions',
        'notes',
        'carrier',
        'put_on',
        'lasts',
        'off_with',
        'hazard',
        'how',
        'question',
        'schools',
        'default',
        'why',
        'do',
    ];

    public function __construct(
        private string $projectDir,
        private string $cacheDir,
        #[Autowire('%kernel.debug%')]
        private bool $debug,
    ) {
    }

    public function load(): Catalogue
    {
        ['data' => $data, 'digest' => $digest] = $this->cached();

        return Catalogue::fromArray($data, $digest);
    }

    /** @return array<string, mixed> by file name */
    public function data(): array
    {
        return $this->cached()['data'];
    }

    /**
     * The same without pairings and procedures, with texts that can be put into another language.
     *
     * @param array<string, list<array<string, mixed>>> $more rows of the shop's own, by file name
     *
     * @return array<string, mixed>
     */
    public function texts(array $more = []): array
    {
        $data = $this->data();
        unset($data['pairings'], $data['procedures']);
        foreach ($more as $name => $rows) {
            array_push($data[$name], ...$rows);
        }
        $checks = $data['checks'];
        unset($data['checks']);
        $texts = [];
        foreach ($data as $name => $rows) {
            $texts[$name] = array_map(static fn (array $row): array => self::row(self::KINDS[$name], $row), $rows);
        }
        $texts['checks'] = [
            'symptoms' => array_map(static fn (array $row): array => self::row('symptom', $row), $checks['symptoms']),
            'causes' => array_map(static fn (array $row): array => self::row('cause', $row), $checks['causes']),
        ];

        return $texts;
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function row(string $kind, array $row): array
    {
        foreach (self::TEXTS as $field) {
            $id = "$kind.{$row['id']}.$field";
            if (\is_string($row[$field] ?? null)) {
                $row[$field] = new CatalogueText($id, $row[$field]);
            } elseif (\is_array($row[$field] ?? null)) {
                $row[$field] = array_map(
                    static fn (int $i, string $text): CatalogueText => new CatalogueText("$id.$i", $text),
                    array_keys($row[$field]),
                    $row[$field],
                );
            }
        }

        return $row;
    }

    /** @return array{data: array<string, list<array<string, mixed>>>, digest: string} */
    private function cached(): array
    {
        $folder = $this->projectDir.'/catalogue';
        $cache = new ConfigCache($this->cacheDir.'/catalogue.php', $this->debug);
        if (!$cache->isFresh()) {
            $data = [];
            foreach (self::FILES as $name) {
                $data[$name] = Yaml::parseFile("$folder/$name.yaml");
                self::check($name, $data[$name], "$folder/schema/$name.schema.json");
            }
            $cache->write('<?php return '.var_export(['data' => $data, 'digest' => Catalogue::digestOf($data)], true).';', [new DirectoryResource($folder)]);
        }

        /** @var array{data: array<string, list<array<string, mixed>>>, digest: string} $read */
        $read = require $cache->getPath();

        return $read;
    }

    private static function check(string $name, mixed $data, string $schemaFile): void
    {
        $schema = json_decode((string) file_get_contents($schemaFile), false, 64, \JSON_THROW_ON_ERROR);
        $value = json_decode(json_encode($data, \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
        \assert($schema instanceof \stdClass);
        $error = (new Validator())->validate($value, $schema)->error();
        if (null !== $error) {
            throw new \DomainException(\sprintf('catalogue/%s.yaml: %s', $name, json_encode((new ErrorFormatter())->format($error), \JSON_UNESCAPED_SLASHES)));
        }
    }
}
