<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Fix;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Fix\Check;
use Sitzplatz\Fix\Diagnosis;
use Sitzplatz\Fix\PlateState;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\CatalogueText;
use Symfony\Component\Yaml\Yaml;

/** The order of checks is common practice: wash first, then the gap, the costly things last (trade notes, section 15). */
final class DiagnosisTest extends TestCase
{
    public function testAPlateThatHeldLastWeekIsWashedFirst(): void
    {
        $order = self::order('used_to', new PlateState(null, null, false));
        self::assertSame('wash', $order[0]);
        self::assertGreaterThan(array_search('gap', $order, true), array_search('worn', $order, true));
    }

    public function testAPoorFirstLayerIsTheGap(): void
    {
        self::assertSame('gap', self::order('uneven', new PlateState(null, null, false))[0]);
    }

    public function testThePlatesOwnHistoryMovesTheOrder(): void
    {
        $washed = new PlateState(0, 12, true);
        self::assertSame('gap', self::order('used_to', $washed)[0], 'Washed just now, and the printer was changed since it held.');
        self::assertCount(3, $washed->sentences());
        $dirty = self::order('corner_lifts', new PlateState(14, 12, false));
        self::assertSame('wash', $dirty[0]);
        $tired = self::order('used_to', new PlateState(3, 900, false));
        self::assertLessThan(array_search('dry', $tired, true), array_search('worn', $tired, true));
        self::assertSame([], (new PlateState(null, null, false))->sentences());
    }

    public function testAPartThatWillNotComeOffIsCooledFirst(): void
    {
        $order = self::order('too_well', new PlateState(null, null, false));
        self::assertContains($order[0], ['cool', 'gap']);
        self::assertNotContains('wash', $order);
    }

    public function testCareIsDueByPrints(): void
    {
        // Common practice: wash and recoat every 5 to 10 prints.
        self::assertSame([], (new CareDue(9, null))->sentences());
        self::assertSame(['care.wash prints=10'], Said::all((new CareDue(10, null))->sentences()));
        self::assertCount(2, (new CareDue(12, 8))->sentences());
        self::assertSame([], (new CareDue(0, 7))->sentences());
    }

    /** @return list<string> */
    private static function order(string $symptom, PlateState $plate): array
    {
        $data = Yaml::parseFile(\dirname(__DIR__, 3).'/catalogue/checks.yaml');
        $checks = array_values(array_map(static fn (array $c): Check => new Check($c['id'], new CatalogueText('check.do', $c['do']), (float) $c['minutes'], $c['for']), $data['checks']));

        return array_map(static fn (Check $check): string => $check->id, Diagnosis::of($symptom, $checks, $plate)->checks);
    }
}
