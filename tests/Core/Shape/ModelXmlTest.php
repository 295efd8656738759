<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ModelXml;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFile;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Tests\Core\Words\Said;

final class ModelXmlTest extends TestCase
{
    use BuildsMeshes;

    public function testAnObjectIsPlacedTurnedAndScaled(): void
    {
        // A quarter turn about z and a shift; the measures of a box do not change, its extent does.
        $part = self::model(self::object('1', self::box(0, 0, 40, 20, 15)), '<item objectid="1" transform="0 1 0 -1 0 0 0 0 1 100 50 3"/>');
        self::assertSame(ShapeFormat::ThreeMf, $part->format);
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta([20, 40, 15], [$part->widthMm, $part->depthMm, $part->heightMm], 1e-6);
        self::assertEqualsWithDelta([80, 50, 100, 90], $part->patch->extentMm(), 1e-3);
        self::assertEqualsWithDelta(12000, $part->volumeMm3, 1e-3);
    }

    public function testUnitsAreKept(): void
    {
        $inch = self::model(self::object('1', self::box(0, 0, 1, 1, 1)), '<item objectid="1" transform="1 0 0 0 1 0 0 0 1 2 0 0"/>', 'inch');
        self::assertEqualsWithDelta(25.4 ** 2, $inch->patch->areaMm2, 1e-2);
        self::assertEqualsWithDelta(50.8, $inch->patch->extentMm()[0], 1e-3, 'The shift has the unit too.');
    }

    public function testComponentsAreFollowed(): void
    {
        // Two boxes by one component each; the build shifts both, the component only its own.
        $two = '<object id="2"><components><component objectid="1"/><component objectid="1" transform="1 0 0 0 1 0 0 0 1 0 30 0"/></components></object>';
        $part = self::model(self::object('1', self::box(0, 0, 40, 20, 15)).$two, '<item objectid="2" transform="2 0 0 0 1 0 0 0 1 5 0 0"/>');
        self::assertCount(2, $part->patch->islands);
        self::assertEqualsWithDelta(2 * 1600, $part->patch->areaMm2, 1e-2);
        self::assertEqualsWithDelta([5, 0, 85, 50], $part->patch->extentMm(), 1e-3);
        self::assertStringContainsString(
            'shape.objects objects=2',
            implode(
                ' ',
                Said::all(self::model(
                    self::object('1', self::box(0, 0, 40, 20, 15)),
                    '<item objectid="1"/><item objectid="1" transform="1 0 0 0 1 0 0 0 1 0 30 0"/>',
                )->remarks),
            ),
        );
    }

    public function testAMirroredObjectKeepsItsAreaAndVolume(): void
    {
        // A copy mirrored in x beside the box: 2 × 40 × 20 × 15 mm.
        $part = self::model(
            self::object('1', self::box(0, 0, 40, 20, 15)),
            '<item objectid="1"/><item objectid="1" transform="-1 0 0 0 1 0 0 0 1 -10 0 0"/>',
        );
        self::assertEqualsWithDelta(2 * 12000, $part->volumeMm3, 1e-3);
        self::assertEqualsWithDelta(1600, $part->patch->areaMm2, 1e-2);
        self::assertCount(2, $part->patch->islands);
    }

    /** However it is turned in space, and mirrored or not: a second box of 40 × 20 × 15 mm that stands on a corner beside the first. */
    public function testATurnedObjectKeepsItsVolume(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(36));
        for ($i = 0; $i < 24; ++$i) {
            // A rotation by a drawn quaternion.
            $q = array_map(static fn (): float => $random->getInt(-1_000, 1_000) / 1_000 + 1e-3, range(0, 3));
            $length = sqrt(array_sum(array_map(static fn (float $each): float => $each ** 2, $q)));
            [$w, $x, $y, $z] = array_map(static fn (float $each): float => $each / $length, $q);
            $m = [
                1 - 2 * ($y * $y + $z * $z), 2 * ($x * $y + $z * $w), 2 * ($x * $z - $y * $w), 2 * ($x * $y - $z * $w), 1 - 2 * ($x * $x + $z * $z),
                2 * ($y * $z + $x * $w), 2 * ($x * $z + $y * $w), 2 * ($y * $z - $x * $w), 1 - 2 * ($x * $x + $y * $y),
            ];
            $m = 0 === $i % 2 ? $m : array_map(static fn (float $each): float => -$each, $m);
            $low = 0.0;
            foreach ([0, 40] as $a) {
                foreach ([0, 20] as $b) {
                    foreach ([0, 15] as $c) {
                        $low = min($low, $a * $m[2] + $b * $m[5] + $c * $m[8]);
                    }
                }
            }
            $part = self::model(
                self::object('1', self::box(0, 0, 40, 20, 15)),
                \sprintf('<item objectid="1"/><item objectid="1" transform="%s 200 0 %F"/>', implode(' ', array_map(static fn (float $each): string => \sprintf('%.9F', $each), $m)), -$low),
            );
            self::assertEqualsWithDelta(2 * 12_000, $part->volumeMm3, 0.05, implode(' ', $m));
        }
    }

    public function testEachObjectIsAPart(): void
    {
        $plate = self::model(
            self::object('1', self::box(0, 0, 40, 20, 15)),
            implode('', array_map(static fn (int $i): string => \sprintf('<item objectid="1" transform="1 0 0 0 1 0 0 0 1 0 %d 0"/>', 30 * $i), range(0, 5))),
        );
        self::assertSame(6, PartFacts::partsIn($plate));
        self::assertEqualsWithDelta([800, 120], [PartFacts::ofShape($plate)->contactAreaMm2, PartFacts::ofShape($plate)->outlineMm], 1e-2);
        self::assertSame(4, PartFacts::ofShape($plate)->sharpCorners);
    }

    public function testSupportAndWhatIsNotPrintedIsLeftOutAndWhatFloatsIsNamed(): void
    {
        $box = self::object('1', self::box(0, 0, 40, 20, 15));
        $support = str_replace('type="model"', 'type="support"', self::object('2', self::box(50, 0, 10, 10, 15)));
        $part = self::model(
            $box.$support.str_replace('<object id="3"', '<object id="3" name="lid"', self::object('3', self::box(80, 0, 10, 10, 5))),
            '<item objectid="1"/><item objectid="2"/><item objectid="1" printable="0" transform="1 0 0 0 1 0 0 0 1 0 90 0"/>'
                .'<item objectid="3" transform="1 0 0 0 1 0 0 0 1 0 0 2"/>',
        );
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 1e-2);
        $said = implode(' ', Said::all($part->remarks));
        self::assertStringContainsString('shape.skipped objects=2', $said);
        self::assertStringContainsString('shape.floating objects=[lid] above=2', $said);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badModels(): iterable
    {
        $box = self::object('1', self::box(0, 0, 10, 10, 10));
        yield 'an entity bomb' => [
            '<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><model>&b;</model>',
            'shape.xml.doctype',
        ];
        yield 'cut off' => [substr(self::xml($box, '<item objectid="1"/>'), 0, 400), 'shape.xml.broken'];
        yield 'nothing built' => [self::xml($box, ''), 'shape.no_facets'];
        yield 'an object that is not there' => [self::xml($box, '<item objectid="7"/>'), 'shape.xml.object'];
        yield 'an object in itself' => [
            self::xml('<object id="1"><components><component objectid="1"/></components></object>', '<item objectid="1"/>'),
            'shape.xml.nested',
        ];
        yield 'a vertex that is not there' => [self::xml(str_replace('v3="2"', 'v3="99999"', $box), '<item objectid="1"/>'), 'shape.xml.vertex'];
        yield 'a coordinate that is none' => [self::xml(str_replace('x="10"', 'x="ten"', $box), '<item objectid="1"/>'), 'shape.not_a_number.'];
        yield 'an infinite coordinate' => [self::xml(str_replace('x="10"', 'x="1e999"', $box), '<item objectid="1"/>'), 'shape.not_a_number.'];
        yield 'a broken transformation' => [self::xml($box, '<item objectid="1" transform="1 0 0"/>'), 'shape.not_a_number.transformation'];
        yield 'an unknown unit' => [self::xml($box, '<item objectid="1"/>', 'furlong'), 'shape.xml.unit'];
        yield 'shape.xml.parts' => [self::xml($box, '<item objectid="1" p:path="/3D/other.model"/>'), 'shape.xml.parts'];
        yield 'parts that multiply with nothing in them' => [
            self::xml('<object id="1"><mesh><vertices><vertex x="0" y="0" z="0"/></vertices></mesh></object>'.self::tenfold(), '<item objectid="16"/>'),
            'shape.too_fine',
        ];
        yield 'more lists than anybody places' => [
            self::xml($box.'<object id="2"><components>'.str_repeat('<component objectid="1"/>', 30_001).'</components></object>', '<item objectid="2"/>'),
            'shape.too_fine',
        ];
        yield 'parts that multiply' => [self::xml($box.self::tenfold(), '<item objectid="16"/>'), 'shape.too_fine'];
    }

    /**
     * A parser compares each attribute with all others: 50 000 held one for 5.6 s.
     *
     * @return iterable<string, array{string, string}>
     */
    public static function burstingModels(): iterable
    {
        $box = self::object('1', self::box(0, 0, 10, 10, 10));
        $item = '<item objectid="1"/>';
        $attributes = implode(' ', array_map(static fn (int $i): string => "a$i=\"\"", range(1, 50_000)));
        yield 'attributes' => [self::xml("$box<object id=\"2\" $attributes/>", $item), 'shape.xml.too_much'];
        yield 'attributes behind a mark in quotes' => [self::xml("$box<object id=\"2\" name='>' x=\">\" $attributes/>", $item), 'shape.xml.too_much'];
        yield 'attributes of which none ends' => [self::xml($box.'<object id="2" name="'.str_repeat('x', 200_000), $item), 'shape.xml.too_much'];
        yield 'one attribute' => [self::xml($box.'<object id="2" name="'.str_repeat('x', 20_000).'"/>', $item), 'shape.xml.too_much'];
        yield 'a name' => [self::xml($box.'<'.str_repeat('x', 5_000).'/>', $item), 'shape.xml.too_much'];
        yield 'a comment' => [self::xml($box.'<!--'.str_repeat('<a b="c"/>', 20_000).'-->', $item), 'shape.xml.too_much'];
        yield 'a section' => [self::xml($box.'<![CDATA['.str_repeat("<a $attributes", 1).']]>', $item), 'shape.xml.too_much'];
        yield 'an instruction' => [self::xml($box.'<?x '.str_repeat('y', 100_000).'?>', $item), 'shape.xml.too_much'];
        yield 'text' => [self::xml($box.'<metadata name="x">'.str_repeat('y', 1_200_000).'</metadata>', $item), 'shape.xml.too_much'];
        yield 'UTF-16' => ["\xFF\xFE".mb_convert_encoding(self::xml($box, $item), 'UTF-16LE', 'UTF-8'), 'shape.xml.encoding'];
        yield 'UTF-16 without a mark of its order' => [mb_convert_encoding(self::xml($box, $item), 'UTF-16BE', 'UTF-8'), 'shape.xml.encoding'];
        yield 'another alphabet by its name' => [str_replace('UTF-8', 'UTF-7', self::xml($box, $item)), 'shape.xml.encoding'];
        yield 'a document type in small letters' => ['<?xml version="1.0"?><!doctype x><model/>', 'shape.xml.doctype'];
        yield 'an entity' => [self::xml($box.'<!ENTITY a "b">', $item), 'shape.xml.doctype'];
    }

    #[DataProvider('burstingModels')]
    public function testWhatHoldsAParserForLongIsRefusedBeforeIt(string $xml, string $words): void
    {
        $began = hrtime(true);
        foreach ([1 << 16, 1000, 7] as $piece) {
            try {
                ModelXml::read(new Bytes($xml, $piece));
                self::fail('It was read.');
            } catch (BadShape $bad) {
                self::assertStringContainsString($words, $bad->getMessage());
            }
            if (\strlen($xml) > 300_000) {
                break;
            }
        }
        // Not how fast it is, but that it does not grow with the square: fifty thousand took seconds.
        self::assertLessThan(3e9, hrtime(true) - $began);
    }

    public function testWhatGeneratorsWriteBesideTheModelIsReadWhereverThePiecesEnd(): void
    {
        $box = self::object('1', self::box(0, 0, 10, 10, 10));
        $spaces = implode(' ', array_map(static fn (int $i): string => "xmlns:s$i=\"http://example.org/$i\"", range(1, 25)));
        $xml = "\xEF\xBB\xBF<?xml version='1.0' encoding='utf-8' standalone=\"no\"?>\n<!-- made > by <nobody> --><?slicer a=\"?\" ?><model unit=\"millimeter\" $spaces>"
            ."<metadata name=\"Title\">A &lt; B &amp; C</metadata><metadata name='what it's not'></metadata>";
        $xml = str_replace("'what it's not'", '"a \'b\' > c"', $xml);
        $xml .= '<metadata name="settings"><![CDATA[{"a": "<b c=\"d\">", "e": "]]"}]]></metadata>'.str_repeat(' ', 70_000)."<resources>$box</resources><build><item objectid=\"1\"/></build></model>";
        foreach ([1 << 16, 4096, 61, 2, 1] as $piece) {
            self::assertEqualsWithDelta(100, ModelXml::read(new Bytes($xml, $piece))->patch->areaMm2, 1e-3, (string) $piece);
        }
    }

    #[DataProvider('badModels')]
    public function testABadModelGetsASentence(string $xml, string $words): void
    {
        $this->expectException(BadShape::class);
        $this->expectExceptionMessage($words);
        ModelXml::read(new Bytes($xml));
    }

    public function testAnArchiveIsKnownByItsContent(): void
    {
        $part = ShapeFile::read(
            new Bytes("PK\x03\x04 and so on"),
            static fn (): Bytes => new Bytes(self::xml(self::object('1', self::box(0, 0, 10, 10, 10)), '<item objectid="1"/>')),
        );
        self::assertEqualsWithDelta(100, $part->patch->areaMm2, 1e-3);
    }

    public function testOneObjectIsOnePart(): void
    {
        self::assertSame(1, self::model(self::object('1', self::box(0, 0, 40, 20, 15)), '<item objectid="1"/>')->objects);
    }

    private static function model(string $objects, string $build, string $unit = 'millimeter'): PartShape
    {
        return ModelXml::read(new Bytes(self::xml($objects, $build, $unit)));
    }

    private static function xml(string $objects, string $build, string $unit = 'millimeter'): string
    {
        return \sprintf(
            '<?xml version="1.0" encoding="UTF-8"?><model unit="%s" xmlns="core" xmlns:p="production"><resources>%s</resources><build>%s</build></model>',
            $unit,
            $objects,
            $build,
        );
    }

    /** @param list<list<float>> $facets */
    private static function object(string $id, array $facets): string
    {
        $vertices = $triangles = '';
        foreach ($facets as $n => $f) {
            for ($i = 0; $i < 9; $i += 3) {
                $vertices .= \sprintf('<vertex x="%s" y="%s" z="%s"/>', $f[$i], $f[$i + 1], $f[$i + 2]);
            }
            $triangles .= \sprintf('<triangle v1="%d" v2="%d" v3="%d"/>', 3 * $n, 3 * $n + 1, 3 * $n + 2);
        }

        return \sprintf('<object id="%s" type="model"><mesh><vertices>%s</vertices><triangles>%s</triangles></mesh></object>', $id, $vertices, $triangles);
    }

    /** Objects that each take the one before ten times. */
    private static function tenfold(): string
    {
        $objects = '';
        for ($id = 10; $id <= 16; ++$id) {
            $objects .= \sprintf(
                '<object id="%d"><components>%s</components></object>',
                $id,
                str_repeat(\sprintf('<component objectid="%d"/>', 10 === $id ? 1 : $id - 1), 10),
            );
        }

        return $objects;
    }
}
