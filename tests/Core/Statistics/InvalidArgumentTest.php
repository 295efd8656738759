<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\Permutation;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Statistics\StudentizedRange;
use Sitzplatz\Statistics\Weibull;

final class InvalidArgumentTest extends TestCase
{
    /** What was given, and within which bounds it had to lie, is told by the exception and not only that something was wrong. */
    public function testItTellsItsFigures(): void
    {
        $sixty = static fn (int $n): array => array_map(static fn (int $i): array => ['value' => (float) $i, 'block' => ''], range(1, $n));
        foreach ([
            'probability: 0 < p < 1, p = 1.2' => static fn () => Normal::quantile(1.2),
            'probability: 0 < p < 1, p = NAN' => static fn () => Normal::quantile(\NAN),
            'counts: 0 <= k <= 1, k = -1' => static fn () => (new Beta(1.0, 1.0))->with(-1.0, 2.0),
            'counts: 0 <= k <= 1, k = 2' => static fn () => (new Beta(1.0, 1.0))->with(2.0, -1.0),
            'too_few: n >= 2, n = 1' => static fn () => new StudentizedRange(1, 8.0),
            'too_few: n >= 1, n = 0' => static fn () => SequentialShare::once(0, 0.8, 0.05),
            'not_positive: x > 0, x = 0' => static fn () => Weibull::of([3.0, 0.0], []),
            'no_spread: min < max, n = 3' => static fn () => Weibull::of([3.0, 3.0, 3.0], []),
            'too_many: n <= 200, n = 220' => static fn () => Permutation::of([$sixty(110), $sixty(110)]),
        ] as $message => $ask) {
            try {
                $ask();
                self::fail($message);
            } catch (InvalidArgument $e) {
                self::assertSame($message, $e->getMessage());
            }
        }
        // The document says of 60 values 3 333 draws.
        self::assertSame(3333, Permutation::of([$sixty(30), $sixty(30)])->ways);
    }
}
