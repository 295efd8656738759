<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\RevisionFacts;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Tests\Core\Words\Said;

final class RevisionFactsTest extends TestCase
{
    public function testWhatHasChangedIsSaidInWordsAndNothingElse(): void
    {
        $before = self::facts(55.0, 24.0, 'lot');
        self::assertSame([], self::facts(55.0, 24.0, 'lot')->differences($before));
        self::assertSame(
            ['revision.changed what=revision.bed is=60 was=55', 'revision.changed what=revision.lot is=revision.any was=L-101', 'revision.changed what=revision.longest is=21600 was=1440', 'revision.changed what=revision.runs is=14 was=12'],
            Said::all(self::facts(60.0, 360.0, null, 14)->differences($before)),
        );
        self::assertSame(['revision.changed what=revision.bed is=setup.unheated was=55', 'revision.changed what=revision.longest is=revision.not_said was=1440'], Said::all(self::facts(null, null, 'lot')->differences($before)));
    }

    public function testAResinIsToldByItsExposure(): void
    {
        self::assertSame(['revision.changed what=revision.exposure is=40 was=35'], Said::all(self::facts(null, 24.0, 'lot', 12, 40.0)->differences(self::facts(null, 24.0, 'lot', 12, 35.0))));
    }

    public function testACoatAFeelerAndALimitAreNamedOrSaidToBeMissing(): void
    {
        $before = self::facts(55.0, 24.0, 'lot');
        self::assertSame(
            ['revision.changed what=revision.feeler is=revision.not_said was=folded note paper', 'revision.changed what=revision.agent is=White stick was=candidate.bare', 'revision.changed what=revision.hot_pull is=revision.not_said was=30.8', 'revision.changed what=revision.cold_pull is=4.5 was=revision.not_said'],
            Said::all(self::facts(55.0, 24.0, 'lot', feeler: '', agent: 'White stick', hotN: null, coldN: 4.5)->differences($before)),
        );
    }

    private static function facts(
        ?float $bedC,
        ?float $longest,
        ?string $lot,
        int $runs = 12,
        ?float $exposureS = null,
        string $feeler = 'folded note paper',
        string $agent = '',
        ?float $hotN = 30.8,
        ?float $coldN = null,
    ): RevisionFacts {
        $scope = new Scope('pla', $lot, 'L-101', 'side', 'P1 front', 'pei_textured', 'printer', 'North bay', 18.0, 22.0, false, $longest, 1);

        return new RevisionFacts($scope, $bedC, 55.0, $exposureS, 215.0, 0.4, 0.1, $feeler, $agent, 0.8, 0.9, $runs, 0, $hotN, $coldN);
    }
}
