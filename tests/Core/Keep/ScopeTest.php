<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Keep\ScopePoint;
use Sitzplatz\Tests\Core\Words\Said;

/** A profile is trusted for what was proven, and says so (common practice: a short test does not clear a long job, a single part no full plate). */
final class ScopeTest extends TestCase
{
    public function testAJobInsideIsInside(): void
    {
        self::assertSame([], self::outside(new Job('lot', 'printer', 20, false, 20, 1)));
        self::assertSame([], self::outside(new Job('lot', 'printer', 18, true, null, 1)));
    }

    public function testEveryPointThatIsOutsideIsNamed(): void
    {
        self::assertSame(['lot'], self::outside(new Job('other', 'printer', 20, false, 20, 1)));
        self::assertSame(['lot'], self::outside(new Job(null, 'printer', 20, false, 20, 1)));
        self::assertSame(['printer'], self::outside(new Job('lot', 'other', 20, false, 20, 1)));
        self::assertSame(['room'], self::outside(new Job('lot', 'printer', 12, false, 20, 1)));
        self::assertSame(['job'], self::outside(new Job('lot', 'printer', 20, false, 600, 1)));
        self::assertSame(['parts'], self::outside(new Job('lot', 'printer', 20, false, 20, 20)));
        $sentences = array_map(
            static fn (ScopePoint $p): string => Said::of($p->sentence),
            self::scope()->check(new Job('lot', 'printer', 20, false, 600, 20)),
        );
        self::assertContains('scope.job_beyond job=36000 longest=1440', $sentences);
        self::assertContains('scope.parts_beyond parts=20 most=1', $sentences);
        self::assertContains('scope.plate side=P1 front', $sentences);
        self::assertContains('scope.printer printer=North bay', $sentences);
        self::assertContains('scope.room low=18 high=22 room=20', $sentences);
        $elsewhere = array_map(static fn (ScopePoint $p): string => Said::of($p->sentence), self::scope()->check(new Job('other', 'other', 20, false, 20, 1)));
        self::assertContains('scope.printer_only printer=North bay', $elsewhere);
        self::assertContains('scope.job longest=1440', $elsewhere);
        self::assertContains('scope.parts most=1', $elsewhere);
        self::assertSame([], preg_grep('/^scope\.lot lot/', $elsewhere));
    }

    public function testAJobWithoutALengthGetsNoTickAndAnUnmeasuredProfileProvesNoLength(): void
    {
        $point = static fn (Scope $scope, ?float $minutes): ScopePoint => array_values(array_filter(
            $scope->check(new Job('lot', 'printer', 20, false, $minutes, 1)),
            static fn (ScopePoint $p): bool => 'job' === $p->point,
        ))[0];
        $unsaid = $point(self::scope(), null);
        self::assertNull($unsaid->inScope);
        self::assertSame('scope.job_unsaid longest=1440', Said::of($unsaid->sentence));
        $unmeasured = new Scope('pla', null, 'any', null, 'any plate', 'pei_textured', 'printer', 'Dome', 18, 22, false, null, 4);
        self::assertFalse($point($unmeasured, 5)->inScope);
        self::assertSame('scope.no_length', Said::of($point($unmeasured, null)->sentence));
    }

    public function testAWiderScope(): void
    {
        $scope = new Scope('pla', null, 'any', null, 'any plate', 'pei_textured', 'printer', 'Dome', 18, 22, true, 24, 4);
        self::assertSame(['enclosure'], self::outside(new Job(null, 'printer', 20, false, null, 4), $scope));
        self::assertSame([], self::outside(new Job('whatever', 'printer', 20, true, null, 4), $scope));
    }

    /** @return list<string> */
    private static function outside(Job $job, ?Scope $scope = null): array
    {
        $points = array_filter(($scope ?? self::scope())->check($job), static fn (ScopePoint $point): bool => false === $point->inScope);

        return array_values(array_map(static fn (ScopePoint $point): string => $point->point, $points));
    }

    private static function scope(): Scope
    {
        return new Scope('pla', 'lot', 'L-101', 'side', 'P1 front', 'pei_textured', 'printer', 'North bay', 18, 22, false, 24, 1);
    }
}
