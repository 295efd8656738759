<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Statistics\Internal\SparseCholesky;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\LogitRow;
use Sitzplatz\Statistics\NormalLogit;

/** Logistic regression with normal priors, against R: Newton's steps by hand there, solve, determinant and integrate. */
final class NormalLogitTest extends TestCase
{
    public function testModeAndCurvatureAreThoseOfR(): void
    {
        $fit = self::fit();
        self::assertEqualsWithDelta([-0.025447579578, 1.043211922021], $fit->coefficients, 1e-9);
        self::assertEqualsWithDelta([0.704800765836, 0.173546887923], $fit->at([0 => 1.0, 1 => 0.7]), 1e-9);
        self::assertEqualsWithDelta([$fit->at([0 => 1.0])[1], $fit->at([1 => 1.0])[1]], self::diagonal($fit->covariances()), 1e-12);
        self::assertEqualsWithDelta([0.7 * 1.043211922021, 0.0], [$fit->at([1 => 0.7])[0], $fit->at([])[1]], 1e-9);
        self::assertEqualsWithDelta(self::fit()->coefficients, self::fit([3.0, -4.0])->coefficients, 1e-8, 'It is found from anywhere.');
    }

    public function testHowLikelyTheAnswersAreIsNearTheIntegral(): void
    {
        self::assertEqualsWithDelta(-12.820649587958, self::fit()->logEvidence(), 1e-9);
        // R: the double integral of likelihood and priors.
        self::assertEqualsWithDelta(-12.817025, self::fit()->logEvidence(), 0.005);
    }

    public function testWithoutAnswersThePriorComesBack(): void
    {
        $fit = NormalLogit::fit([], [0.0, 1.0], [4.0, 6.25]);
        self::assertSame([0.0, 1.0], $fit->coefficients);
        self::assertEqualsWithDelta([0.7, 1 / 4 + 0.49 / 6.25], $fit->at([0 => 1.0, 1 => 0.7]), 1e-12);
        self::assertEqualsWithDelta(0.0, $fit->logEvidence(), 1e-12);
        $this->expectException(InvalidArgument::class);
        NormalLogit::fit([], [0.0], [0.0]);
    }

    /** A mass of failures far away, where a whole step of Newton's would overshoot. */
    public function testItStopsWhereItIsAlsoFromFarAway(): void
    {
        $rows = [new LogitRow(9.0, [0], [1.0], 0.0, 400.0), new LogitRow(-9.0, [0], [1.0], 400.0, 400.0)];
        $fit = NormalLogit::fit($rows, [0.0], [0.01], [30.0]);
        self::assertEqualsWithDelta(0.0, $fit->coefficients[0], 1e-8);
    }

    public function testASparseMatrixIsTakenApart(): void
    {
        $factor = SparseCholesky::of([[0 => 4.0], [0 => 1.0, 1 => 5.0], [2 => 3.0], [0 => 2.0, 2 => 1.0, 3 => 6.0]]);
        self::assertEqualsWithDelta([-0.148289, 0.4296578, 0.8060837, 0.581749], $factor->solve([1.0, 2.0, 3.0, 4.0]), 1e-6);
        self::assertEqualsWithDelta(5.572154, $factor->logDeterminant(), 1e-6);
        self::assertEqualsWithDelta(1.171103, $factor->inverseForm([3 => 2.0, 1 => 1.0]), 1e-6);
        // R: diag(solve(A)).
        self::assertEqualsWithDelta([0.323193916, 0.212927757, 0.357414449, 0.216730038], self::diagonal($factor->inverse()), 1e-8);
        $this->expectException(InvalidArgument::class);
        SparseCholesky::of([[0 => 1.0], [0 => 2.0, 1 => 1.0]]);
    }

    /** Of a drawn matrix of thirty rows, most of it nought: each member of the diagonal by itself. */
    public function testTheDiagonalOfAnInverseIsThatOfEachUnitVector(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(9));
        $lower = [];
        for ($i = 0; $i < 30; ++$i) {
            $row = [$i => 4.0 + $random->getInt(0, 9)];
            for ($j = 0; $j < $i; ++$j) {
                if (0 === $random->getInt(0, 7)) {
                    $row[$j] = $random->getInt(-9, 9) / 12.0;
                }
            }
            $lower[] = $row;
        }
        $factor = SparseCholesky::of($lower);
        self::assertEqualsWithDelta(array_map(static fn (int $i): float => $factor->inverseForm([$i => 1.0]), range(0, 29)), self::diagonal($factor->inverse()), 1e-12);
    }

    /** MacKay (1992) against R's integrate: within 0.01. */
    public function testTheMeanOfALogisticNormal(): void
    {
        foreach ([[1.0, 0.5, 0.71157317], [-2.0, 3.0, 0.20648035], [0.2, 6.0, 0.52656541]] as [$mean, $variance, $integral]) {
            self::assertEqualsWithDelta($integral, (new LogisticNormal($mean, $variance))->share(), 0.01);
        }
        $one = new LogisticNormal(1.0, 0.25);
        self::assertEqualsWithDelta([1 / (1 + exp(-1 + 1.6448536 * 0.5)), 1 / (1 + exp(-1 - 1.6448536 * 0.5))], [$one->interval()->low, $one->interval()->high], 1e-7);
        self::assertEqualsWithDelta(1 / (1 + exp(-1 / sqrt(1 + \M_PI / 32))), $one->share(), 1e-12);
    }

    /** @param list<float>|null $start */
    private static function fit(?array $start = null): NormalLogit
    {
        $x = [0.5, -1, 2, 0, 1, -0.5, 0.3, 1.2];
        $of = [1, 1, 1, 1, 0, 0, 0, 1];
        $offset = [0.2, -0.1, 0, 0.5, 0.3, 0, -0.4, 0.1];
        $rows = [];
        foreach ([[3, 4], [0, 2], [2, 2], [1, 2], [1, 3], [0, 1], [2, 2], [4, 5]] as $i => [$well, $all]) {
            $rows[] = 1 === $of[$i] ? new LogitRow($offset[$i], [0, 1], [1.0, $x[$i]], $well, $all) : new LogitRow($offset[$i], [1], [$x[$i]], $well, $all);
        }

        return NormalLogit::fit($rows, [0.0, 1.0], [1 / 0.5 ** 2, 1 / 0.4 ** 2], $start);
    }

    /**
     * @param list<array<int, float>> $columns
     *
     * @return list<float>
     */
    private static function diagonal(array $columns): array
    {
        return array_map(static fn (array $column, int $at): float => $column[$at], $columns, array_keys($columns));
    }
}
