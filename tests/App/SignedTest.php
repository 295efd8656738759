<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Keep\RecountCommand;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** What was signed was shown: by the readings as they stand, counted by the rules of today. */
final class SignedTest extends ApiTestCase
{
    private const PLAN = ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0];

    /** A plan by counts with 12 runs of "hot at least 3 N" and 12 of "cold at least 11.9 N" was carried with 0 failures, and signed. */
    public function testNothingIsSignedOnPullsThatLeaveItOpen(): void
    {
        $this->signIn('technician');
        $table = "setup,run,measure,value,unit,status\n";
        for ($i = 0; $i < 12; ++$i) {
            $table .= "A,h$i,held,1,,exact\nA,h$i,pull_hot,3,N,at_least\nA,c$i,held,1,,exact\nA,c$i,pull_cold,11.9,N,at_least\nA,c$i,effort,1,,exact\nA,c$i,damage,0,,exact\n";
        }
        $started = $this->started(['runsPerSetup' => 24, 'hotPerSetup' => 12, 'criterion' => 'counts'], $table);
        $judged = $this->judged($started)['setups'][0];
        self::assertSame('not_yet_known', $judged['verdict']);
        self::assertStringContainsString('12 runs leave it open', implode(' ', $judged['hold']['reasons']));
        $setup = $started['setups'][0]['id'];
        $assessment = $this->ask('POST', '/api/profiles/assess', ['setupId' => $setup, 'plan' => self::PLAN, 'anyLot' => false, 'anyPlate' => false], 200);
        self::assertFalse($assessment['carried']);
        self::assertStringStartsWith('24 runs leave open whether it succeeded', $assessment['missing'][0]);
        $profile = $this->ask('POST', '/api/profiles', ['setupId' => $setup, 'title' => 'Open', 'plan' => self::PLAN, 'anyLot' => false, 'anyPlate' => false, 'reviewBy' => '2030-01-01'], 201);
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''], 422);

        // One that was signed so before is found, and put in question.
        $this->database()->executeStatement("UPDATE profile SET status = 'validated', signed_by = 'Tilo', signed_at = NOW(6) WHERE id = ?", [Uuid::fromString($profile['id'])->toBinary()]);
        self::assertSame([], $this->doubts($profile['id']));
        self::assertStringContainsString("{$profile['id']}  revision 1, Open\n    24 runs leave open", $this->recount(['--list' => true]));
        self::assertSame([], $this->doubts($profile['id']), 'Only named.');
        self::assertStringContainsString('1 validated profiles are not carried by their runs and are in question now.', $this->recount([]));
        self::assertSame(['evidence'], $this->doubts($profile['id']));
    }

    /** What a look has settled stands; an amendment that contradicts it is said, and what was signed is in question. */
    public function testAnAmendmentThatContradictsWhatWasSettledIsSaid(): void
    {
        $this->signIn('technician');
        $table = "setup,run,measure,value,unit,status\n";
        foreach ([31.2, 28.4, 33.9, 30.1, 27.2, 34.0] as $i => $pull) {
            $table .= "A,h$i,held,1,,exact\nA,h$i,pull_hot,$pull,N,exact\nA,c$i,held,1,,exact\nA,c$i,pull_cold,4.$i,N,exact\nA,c$i,effort,1,,exact\nA,c$i,damage,0,,exact\n";
        }
        $started = $this->started(['runsPerSetup' => 12, 'hotPerSetup' => 6], $table);
        self::assertSame('holds_and_lets_go', $this->judged($started)['setups'][0]['verdict']);
        $setup = $started['setups'][0]['id'];
        $profile = $this->ask('POST', '/api/profiles', ['setupId' => $setup, 'title' => 'Settled', 'plan' => self::PLAN, 'anyLot' => false, 'anyPlate' => false, 'reviewBy' => '2030-01-01'], 201);
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''], 200);
        self::assertSame([], $this->doubts($profile['id']));

        $hot = array_values(array_filter($this->ask('GET', "/api/comparisons/{$started['id']}", null, 200)['runs'], static fn (array $run): bool => 'hot' === $run['pull']))[0];
        $reading = array_values(array_filter($this->ask('GET', "/api/runs/{$hot['id']}", null, 200)['readings'], static fn (array $each): bool => 'pull_hot' === $each['measure']))[0];
        $this->ask('POST', "/api/readings/{$reading['id']}/amendments", ['value' => 13.1, 'unit' => 'N', 'atLeast' => false, 'reason' => 'A three was read for a one.'], 201);
        $now = $this->judged($started)['setups'][0];
        self::assertSame('not_yet_known', $now['verdict']);
        self::assertMatchesRegularExpression('/^Until .+ its looks had settled that it holds\. /', $now['hold']['reasons'][0]);
        self::assertStringNotContainsString('settled', $now['release']['reasons'][0]);
        self::assertSame(['evidence'], $this->doubts($profile['id']));
        $this->ask('POST', "/api/readings/{$this->standing($hot['id'])}/amendments", ['value' => 31.2, 'unit' => 'N', 'atLeast' => false, 'reason' => 'No, it was a three.'], 201);
        self::assertSame([], $this->doubts($profile['id']), 'It is carried again.');
        self::assertStringNotContainsString('settled', $this->judged($started)['setups'][0]['hold']['reasons'][0]);
    }

    public function testReadingsOfASimulatedDeviceAreNamed(): void
    {
        $this->signIn('technician');
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1')['id'];
        self::assertSame('12 of its readings are simulated: no proof outside of a demo.', $this->ask('GET', "/api/profiles/$profile", null, 200)['simulated']);
        $comparison = $this->pick('/api/comparisons', 'title', 'Filter cells in grey PLA, which plate?');
        self::assertContains('30 readings are simulated: no proof outside of a demo.', $this->judged($comparison)['weakPoints']);
    }

    /** A cold pull at 91 °C of a bed of 100 counted as cold. */
    public function testAPullThatWasNotColdDoesNotCountAsCold(): void
    {
        $this->signIn('technician');
        $table = "setup,run,measure,value,unit,status\n";
        for ($i = 0; $i < 6; ++$i) {
            $table .= "A,h$i,held,1,,exact\nA,h$i,pull_hot,3$i,N,exact\nA,c$i,held,1,,exact\nA,c$i,pull_cold,4.$i,N,exact\nA,c$i,release_temp,59,°C,exact\nA,c$i,effort,1,,exact\nA,c$i,damage,0,,exact\n";
        }
        $started = $this->started(['runsPerSetup' => 12, 'hotPerSetup' => 6], $table);
        $judgement = $this->judged($started);
        self::assertSame('not_yet_known', $judgement['setups'][0]['verdict']);
        self::assertContains('6 cold pulls were taken warmer than the part lets go: it does not count as cold.', $judgement['weakPoints']);
        $cold = array_values(array_filter($started['runs'], static fn (array $run): bool => 'cold' === $run['pull']))[0];
        self::assertLessThan(59, $this->ask('GET', "/api/runs/{$cold['id']}", null, 200)['usual']['release_temp']['to'], 'So warm, it is asked about.');
    }

    /** @return list<string> */
    private function doubts(string $profileId): array
    {
        return array_column($this->ask('GET', "/api/profiles/$profileId", null, 200)['doubts'], 'kind');
    }

    private function standing(string $runId): string
    {
        $readings = $this->ask('GET', "/api/runs/$runId", null, 200)['readings'];

        return array_values(array_filter($readings, static fn (array $each): bool => 'pull_hot' === $each['measure'] && $each['stands']))[0]['id'];
    }

    /** @param array<string, mixed> $input */
    private function recount(array $input): string
    {
        $command = self::getContainer()->get(RecountCommand::class);
        self::assertInstanceOf(RecountCommand::class, $command);
        $tester = new CommandTester($command);
        $tester->execute($input);
        $tester->assertCommandIsSuccessful();

        return $tester->getDisplay();
    }

    /**
     * @param array<string, mixed> $comparison
     *
     * @return array<string, mixed>
     */
    private function judged(array $comparison): array
    {
        return $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200);
    }

    /**
     * @param array{runsPerSetup: int, hotPerSetup: int, criterion?: string} $runs
     *
     * @return array<string, mixed>
     */
    private function started(array $runs, string $table): array
    {
        $begun = $this->ask('POST', '/api/plans/begin', ['kind' => 'grid', 'measures' => ['pull'], 'sure' => 'use', 'lotId' => $this->pick('/api/lots', 'label', 'L-101')['id'], 'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id']], 200)['plan'];
        $plan = [
            'setups' => [['plateSideId' => $this->side('P1 front'), 'agentId' => null, 'bedFirstC' => 61, 'bedOtherC' => 61]],
            'runsPerSetup' => $runs['runsPerSetup'],
            'hotPerSetup' => $runs['hotPerSetup'],
            'proof' => ['criterion' => $runs['criterion'] ?? 'without_law', 'design' => 'fixed'] + $begun['proof'],
        ] + $begun;
        $comparison = $this->ask('POST', '/api/comparisons', $plan, 201);
        $started = $this->ask('POST', "/api/comparisons/{$comparison['id']}/start", ['version' => $comparison['version']], 200);
        $this->ask('POST', "/api/comparisons/{$comparison['id']}/import", ['version' => $started['version'], 'table' => $table], 201);

        return $started;
    }
}
