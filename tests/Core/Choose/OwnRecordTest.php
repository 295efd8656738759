<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\OwnRecord;
use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\LogisticLine;

final class OwnRecordTest extends TestCase
{
    private const SAID = [0.9, 0.9, 0.8, 0.7, 0.7, 0.6, 0.95, 0.5, 0.85, 0.3];
    private const CAME = [1, 1, 1, 1, 1, 1, 0, 1, 1, 0];

    public function testALineThatWasNeverLearnedMovesNothing(): void
    {
        foreach ([0.02, 0.3, 0.5, 0.97] as $said) {
            self::assertEqualsWithDelta($said, (new LogisticLine())->of($said), 1e-12);
        }
    }

    public function testTheLineIsThatOfR(): void
    {
        // R: x <- qlogis(said); f <- function(q) -(sum(came*(q[1]+q[2]*x) - log1p(exp(q[1]+q[2]*x))) - (2*q[1]^2 + 10*(q[2]-1)^2)/2)
        // optim(c(0, 1), f, method = "BFGS", control = list(reltol = 1e-15))
        $line = LogisticLine::fit(self::forecasts(), 2.0, 10.0);
        self::assertEqualsWithDelta([0.25371121, 0.90328490, 0.81845724], [$line->alpha, $line->beta, $line->of(0.8)], 2e-6);
        self::assertEquals($line, OwnRecord::learn(self::forecasts()));
    }

    public function testWithoutARecordNothingIsMoved(): void
    {
        $line = LogisticLine::fit([], 2.0, 10.0);
        self::assertEqualsWithDelta([0.0, 1.0, 0.3], [$line->alpha, $line->beta, $line->of(0.3)], 1e-12);
        self::assertEqualsWithDelta(0.7, (new OwnRecord())->corrected(0.7, 3.0), 1e-12);
        self::assertFalse(OwnRecord::tells(0.7, 0.705));
        self::assertTrue(OwnRecord::tells(0.7, 0.65));
    }

    public function testWhatIsAlwaysSaidTooLowIsMovedUpAndNeverToCertainty(): void
    {
        $line = OwnRecord::learn(array_fill(0, 400, new Forecast(0.6, true)));
        self::assertGreaterThan(0.9, $line->of(0.6));
        self::assertLessThan(1.0, $line->of(1.0));
        self::assertGreaterThan(0.0, OwnRecord::learn(array_fill(0, 400, new Forecast(0.6, false)))->of(0.0));
    }

    public function testEachClassOfEvidenceHasALineOfItsOwn(): void
    {
        self::assertSame([0, 0, 1, 1, 2, 2], array_map(OwnRecord::classOf(...), [0.0, 0.99, 1.0, 7.9, 8.0, 90.0]));
        $record = new OwnRecord([0 => new LogisticLine(-1.0), 2 => new LogisticLine(1.0)]);
        // By hand: log-odds of 0.5 are nought.
        self::assertEqualsWithDelta([1 / (1 + exp(1)), 0.5, 1 / (1 + exp(-1))], [$record->corrected(0.5, 0.0), $record->corrected(0.5, 4.0), $record->corrected(0.5, 20.0)], 1e-12);
    }

    /** @return list<Forecast> */
    private static function forecasts(): array
    {
        return array_map(static fn (float $said, int $came): Forecast => new Forecast($said, 1 === $came), self::SAID, self::CAME);
    }
}
