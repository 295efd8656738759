<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Shape\Internal\Facets;
use Sitzplatz\Shape\Internal\Mesh;
use Sitzplatz\Shape\Internal\XmlBounds;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The model of a 3MF file (3D Manufacturing Format, core specification, from memory): objects with a mesh or with
 * components, and a build that places them. Read as a stream, within bounds ({@see XmlBounds}).
 */
final class ModelXml
{
    private const MOST_FACETS = 1_000_000;
    /** Facets placed again and again, where the file itself has fewer. */
    private const MOST_REPEATED = 400_000;
    /** Objects that are placed, one within another counted each time; a full plate has hundreds. */
    private const MOST_PLACED = 30_000;
    private const DEEPEST = 8;
    /** A quarter of a usual layer; less is rounding, mm. */
    private const FLOATS_FROM_MM = 0.05;
    private const MM_PER_UNIT = ['micron' => 0.001, 'millimeter' => 1.0, 'centimeter' => 10.0, 'inch' => 25.4, 'foot' => 304.8, 'meter' => 1000.0];

    private float $mmPerUnit = 1.0;
    /** @var array<string, Mesh> */
    private array $meshes = [];
    /** @var array<string, list<array{string, list<float>}>> */
    private array $components = [];
    /** @var list<array{string, list<float>}> */
    private array $build = [];
    /** @var array<string, array{int, int}> */
    private array $counted = [];
    /** @var array<string, string> as the file calls its objects */
    private array $names = [];
    /** @var array<string, true> objects that are not laid down as the part */
    private array $unprinted = [];
    private int $skipped = 0;
    private string $object = '';
    private int $elements = 0;
    /** Components and items of the build. */
    private int $listed = 0;

    private function __construct()
    {
    }

    /** @throws BadShape */
    public static function read(ByteSource $xml): PartShape
    {
        $model = new self();
        $model->parse($xml);
        // Counted before anything is placed: a few lines of components can multiply without end, with or without a mesh in them.
        $facets = $placed = 0;
        foreach ($model->build as [$object]) {
            [$each, $times] = $model->sizeOf($object, 0);
            $facets += $each;
            $placed += $times;
        }
        if ($facets > max($model->elements, self::MOST_REPEATED) || $placed > self::MOST_PLACED) {
            throw BadShape::tooFine();
        }
        $facets = new Facets();
        $lowest = [];
        foreach ($model->build as $i => [$object, $transform]) {
            $lowest[$i] = $model->place($facets, $object, $transform);
        }

        return $facets->shape(ShapeFormat::ThreeMf, 0 === $facets->count ? [] : $model->remarks($lowest), max(1, \count($model->build)));
    }

    /**
     * @param array<int, float> $lowest point of each item of the build, mm
     *
     * @return list<Sentence>
     */
    private function remarks(array $lowest): array
    {
        $plate = min(\INF, ...$lowest);
        $floating = array_keys(array_filter($lowest, static fn (float $mm): bool => is_finite($mm) && $mm > $plate + self::FLOATS_FROM_MM));

        return array_values(array_filter([
            1 < \count($this->build) ? Sentence::of('shape.objects', objects: Quantity::count(\count($this->build))) : null,
            0 < $this->skipped ? Sentence::of('shape.skipped', objects: Quantity::count($this->skipped)) : null,
            [] === $floating ? null : Sentence::of('shape.floating', objects: Listing::of(
                array_map(fn (int $i): string => $this->name($this->build[$i][0]), \array_slice($floating, 0, 5)),
                Joined::Comma,
            ), above: Quantity::millimetres($lowest[$floating[0]] - $plate)),
        ]));
    }

    private function name(string $object): string
    {
        $name = $this->names[$object] ?? '';

        return '' === $name ? $object : $name;
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function parse(ByteSource $xml): void
    {
        $parser = xml_parser_create('UTF-8');
        xml_parser_set_option($parser, \XML_OPTION_CASE_FOLDING, 0);
        xml_set_element_handler($parser, $this->element(...), static fn () => null);
        $bounds = new XmlBounds();
        do {
            $chunk = $xml->read(1 << 16);
            $bounds->pass($chunk);
            if (0 === xml_parse($parser, $chunk, '' === $chunk)) {
                throw BadShape::badXml('broken', (string) xml_get_current_line_number($parser));
            }
        } while ('' !== $chunk);
        if ([] === $this->build) {
            throw BadShape::noFacets();
        }
    }

    /**
     * @param array<string, string> $a
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function element(\XMLParser $parser, string $name, array $a): void
    {
        $colon = strrpos($name, ':');
        switch (false === $colon ? $name : substr($name, $colon + 1)) {
            case 'vertex':
                $this->mesh()->vertex($this->number($a, 'x'), $this->number($a, 'y'), $this->number($a, 'z'));
                break;
            case 'triangle':
                $this->mesh()->triangle($a['v1'] ?? '', $a['v2'] ?? '', $a['v3'] ?? '');
                if (++$this->elements > self::MOST_FACETS) {
                    throw BadShape::tooFine();
                }
                break;
            case 'object':
                $this->object = $a['id'] ?? '';
                $this->names[$this->object] = mb_substr($a['name'] ?? '', 0, 60);
                // Support and whatever else is not the model itself.
                if (!\in_array($a['type'] ?? 'model', ['model', 'solidsurface', 'surface'], true)) {
                    $this->unprinted[$this->object] = true;
                }
                break;
            case 'component':
                $this->oneFile($a);
                $this->listed();
                $this->components[$this->object][] = [$a['objectid'] ?? '', self::transform($a['transform'] ?? '')];
                break;
            case 'item':
                $this->oneFile($a);
                $this->listed();
                if (isset($this->unprinted[$a['objectid'] ?? '']) || \in_array($a['printable'] ?? '1', ['0', 'false'], true)) {
                    ++$this->skipped;
                    break;
                }
                $this->build[] = [$a['objectid'] ?? '', self::transform($a['transform'] ?? '')];
                break;
            case 'model':
                $this->mmPerUnit = self::MM_PER_UNIT[$a['unit'] ?? 'millimeter'] ?? throw BadShape::badXml('unit');
        }
    }

    /**
     * @param array<string, string> $a
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function oneFile(array $a): void
    {
        foreach (array_keys($a) as $name) {
            if (str_ends_with($name, ':path')) {
                throw BadShape::badXml('parts');
            }
        }
    }

    /** @throws BadShape if more is listed than is ever placed */
    private function listed(): void
    {
        if (++$this->listed > self::MOST_PLACED) {
            throw BadShape::tooFine();
        }
    }

    private function mesh(): Mesh
    {
        return $this->meshes[$this->object] ??= new Mesh();
    }

    /**
     * @param array<string, string> $a
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function number(array $a, string $name): float
    {
        if (!is_numeric($a[$name] ?? null)) {
            throw BadShape::notANumber('vertex');
        }

        return (float) $a[$name] * $this->mmPerUnit;
    }

    /**
     * @return list<float> twelve numbers, row by row; empty for none
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private static function transform(string $text): array
    {
        if ('' === trim($text)) {
            return [];
        }
        $parts = preg_split('/\s+/', trim($text)) ?: [];
        if (12 !== \count($parts) || [] !== array_filter($parts, static fn (string $p): bool => !is_numeric($p))) {
            throw BadShape::notANumber('transformation');
        }

        return array_map(floatval(...), $parts);
    }

    /**
     * @return array{int, int} facets, and how many objects are placed
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function sizeOf(string $object, int $depth): array
    {
        if ($depth > self::DEEPEST) {
            throw BadShape::badXml('nested');
        }
        if (isset($this->counted[$object])) {
            return $this->counted[$object];
        }
        if (!isset($this->meshes[$object]) && !isset($this->components[$object])) {
            throw BadShape::badXml('object', $object);
        }
        $facets = isset($this->meshes[$object]) ? $this->meshes[$object]->triangles() : 0;
        $placed = 1;
        foreach ($this->components[$object] ?? [] as [$part]) {
            [$each, $times] = $this->sizeOf($part, $depth + 1);
            $facets += $each;
            $placed += $times;
        }

        return $this->counted[$object] = [min($facets, 2 * self::MOST_FACETS), min($placed, 2 * self::MOST_PLACED)];
    }

    /**
     * @param list<float> $transform
     *
     * @return float the lowest point, mm
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function place(Facets $facets, string $object, array $transform): float
    {
        $lowest = isset($this->meshes[$object]) ? $this->meshes[$object]->into($facets, $transform, $this->mmPerUnit) : \INF;
        foreach ($this->components[$object] ?? [] as [$part, $own]) {
            if (!isset($this->unprinted[$part])) {
                $lowest = min($lowest, $this->place($facets, $part, self::combined($own, $transform)));
            }
        }

        return $lowest;
    }

    /**
     * First the one, then the other (row vectors, as the format has it).
     *
     * @param list<float> $first
     * @param list<float> $then
     *
     * @return list<float>
     */
    private static function combined(array $first, array $then): array
    {
        if ([] === $first || [] === $then) {
            return [] === $first ? $then : $first;
        }
        $product = [];
        for ($row = 0; $row < 4; ++$row) {
            for ($column = 0; $column < 3; ++$column) {
                $sum = 3 === $row ? $then[9 + $column] : 0.0;
                for ($k = 0; $k < 3; ++$k) {
                    $sum += $first[3 * $row + $k] * $then[3 * $k + $column];
                }
                $product[] = $sum;
            }
        }

        return $product;
    }
}
