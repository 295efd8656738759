<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;

/** Numbers as other programs write them, and as nobody should: turned or refused, never a fault of the server. */
final class NumbersTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAWholeNumberMayBeWrittenWithAPoint(): void
    {
        $response = $this->send('POST', '/api/choose', $this->choice('"partCount": 3.0, "jobMinutes": 60.0'));
        self::assertSame(200, $response->getStatusCode());
        $plan = (string) json_encode($this->plan([['plateSideId' => $this->side('P1 front'), 'agentId' => null, 'bedFirstC' => 57, 'bedOtherC' => 57]]), \JSON_PRESERVE_ZERO_FRACTION);
        $plan = str_replace(['"runsPerSetup":12', '"hotPerSetup":6', '"seed":4', '"effortAtMost":2'], ['"runsPerSetup":12.0', '"hotPerSetup":6.0', '"seed":4.0', '"effortAtMost":2.0'], $plan);
        $response = $this->send('POST', '/api/comparisons', '{"id":"0195d8a0-0000-7000-8000-00000000c0de",'.substr($plan, 1));
        self::assertSame(201, $response->getStatusCode(), (string) $response->getContent());
    }

    public function testAnImportedProfileWithAPointInACountBreaksNothing(): void
    {
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1');
        $document = (string) $this->send('GET', "/api/profiles/{$profile['id']}/export", null)->getContent();
        self::assertMatchesRegularExpression('/"mostParts": ?1\b/', $document);
        $document = (string) preg_replace('/"mostParts": ?1\b/', '"mostParts": 3.0', $document);
        $this->signIn('lead');
        $response = $this->send('POST', '/api/profiles/import', '{"id": "0195d8a0-0000-7000-8000-00000000beef", "document": '.$document.'}');
        self::assertSame(201, $response->getStatusCode(), (string) $response->getContent());
        self::assertSame(200, $this->send('POST', '/api/choose', $this->choice('"lotId": null'))->getStatusCode());
    }

    /** @return iterable<string, array{string, string, string}> operation, body, field */
    public static function beyondAllNumbers(): iterable
    {
        yield 'a room beyond all numbers' => ['/api/choose', '"roomC": 1e999', 'roomC'];
        yield 'minutes beyond all numbers' => ['/api/choose', '"jobMinutes": 1e999', 'jobMinutes'];
        yield 'in a list, deep inside' => ['/api/heat', '"layers": [{"of": "aluminium", "mm": 3}, {"of": "pei", "mm": 1e400}]', 'layers.1.mm'];
    }

    #[DataProvider('beyondAllNumbers')]
    public function testWhatNoNumberHoldsIsRefusedWithItsField(string $path, string $member, string $field): void
    {
        $body = '/api/heat' === $path ? '{"widthMm": 200, "depthMm": 200, "roomC": 20, "surfaceC": 60, '.$member.'}' : $this->choice($member);
        $response = $this->send('POST', $path, $body);
        self::assertSame(422, $response->getStatusCode(), (string) $response->getContent());
        $answer = json_decode((string) $response->getContent(), true, flags: \JSON_THROW_ON_ERROR);
        self::assertSame([$field], array_column($answer['errors'], 'field'));
        self::assertStringContainsString('number', $answer['errors'][0]['message']);
    }

    /** A piece of 1e-320 mm was refused and saved all the same, and its comparison was a fault for good. */
    public function testWhatIsTooSmallToBeAnythingIsNothing(): void
    {
        $body = (string) json_encode($this->plan([['plateSideId' => $this->side('P1 front'), 'agentId' => null, 'bedFirstC' => 57, 'bedOtherC' => 57]]), \JSON_PRESERVE_ZERO_FRACTION);
        self::assertMatchesRegularExpression('/"alongPullMm":[\d.]+/', $body);
        foreach (['1e-320', '1e-13', '-1e-300', '1e13', '1e300'] as $odd) {
            $response = $this->send('POST', '/api/comparisons', (string) preg_replace('/"alongPullMm":[\d.]+/', '"alongPullMm":'.$odd, $body));
            self::assertSame(422, $response->getStatusCode(), $odd);
        }
    }

    /**
     * Whatever figure of a plan the contract takes, what was saved can be read: each at its ends and beyond, one after the other.
     */
    public function testNoNumberThatTheContractTakesBreaksARead(): void
    {
        $plan = $this->plan([['plateSideId' => $this->side('P1 front'), 'agentId' => null, 'bedFirstC' => 57, 'bedOtherC' => 57]]);
        $taken = 0;
        foreach (self::figures($plan) as $path) {
            foreach ([0, 1e-12, 1e-3, 0.5, 7, 500, 1e5, 1e12, -1] as $value) {
                $changed = self::with($plan, $path, $value);
                $made = $this->send('POST', '/api/comparisons', (string) json_encode($changed, \JSON_PRESERVE_ZERO_FRACTION));
                $where = implode('.', $path)." = $value";
                self::assertContains($made->getStatusCode(), [201, 422, 409], $where);
                if (201 !== $made->getStatusCode()) {
                    continue;
                }
                ++$taken;
                $id = json_decode((string) $made->getContent(), true)['id'];
                foreach (["/api/comparisons/$id", "/api/comparisons/$id/judgement", '/api/comparisons', '/api/overview'] as $read) {
                    self::assertSame(200, $this->send('GET', $read, null)->getStatusCode(), "$read after $where");
                }
            }
        }
        self::assertGreaterThan(60, $taken);
    }

    /** @return iterable<string, array{string, string}> list and address of one of it */
    public static function thingsWithFigures(): iterable
    {
        yield 'printers' => ['/api/printers', '/api/printers/%s'];
        yield 'plates' => ['/api/plates', '/api/plates/%s'];
        yield 'agents' => ['/api/agents', '/api/agents/%s'];
        yield 'lots' => ['/api/lots', '/api/lots/%s'];
        yield 'gauges' => ['/api/gauges', '/api/gauges/%s'];
        yield 'settings' => ['/api/settings', '/api/settings'];
    }

    /** The same of all that lies on the shelf, and Choose reckons with it. */
    #[DataProvider('thingsWithFigures')]
    public function testNoNumberOfTheShelfBreaksWhatReadsIt(string $list, string $address): void
    {
        $this->signIn('lead');
        $rows = $this->ask('GET', $list, null, 200);
        $rows = array_is_list($rows) ? $rows : [$rows];
        // The one of which most is known.
        usort($rows, static fn (array $a, array $b): int => \count(self::figures($b)) <=> \count(self::figures($a)));
        $thing = $rows[0];
        $version = $thing['version'];
        $taken = 0;
        foreach (self::figures(array_diff_key($thing, ['version' => 0, 'sides' => 0])) as $path) {
            foreach ([0, 1e-12, 0.5, 7, 500, 1e12] as $value) {
                $body = self::with(array_diff_key($thing, array_flip(['id', 'sides', 'fitting', 'simulated'])), $path, $value);
                $body['version'] = $version;
                $status = $this->send('PUT', \sprintf($address, $thing['id'] ?? ''), (string) json_encode($body, \JSON_PRESERVE_ZERO_FRACTION))->getStatusCode();
                $where = "$list ".implode('.', $path)." = $value";
                self::assertContains($status, [200, 409, 422], $where);
                if (200 !== $status) {
                    continue;
                }
                ++$taken;
                ++$version;
                foreach ([$list, '/api/overview'] as $each) {
                    self::assertSame(200, $this->send('GET', $each, null)->getStatusCode(), "$each after $where");
                }
                self::assertContains($this->send('POST', '/api/choose', $this->choice('"lotId": null'))->getStatusCode(), [200, 422], "choose after $where");
            }
        }
        self::assertGreaterThan(0, $taken);
    }

    /**
     * @param array<mixed> $data
     *
     * @return list<list<int|string>> where a number stands
     */
    private static function figures(array $data): array
    {
        $paths = [];
        foreach ($data as $name => $value) {
            if (\is_array($value)) {
                array_push($paths, ...array_map(static fn (array $path): array => [$name, ...$path], self::figures($value)));
            } elseif (\is_int($value) || \is_float($value)) {
                $paths[] = [$name];
            }
        }

        return $paths;
    }

    /**
     * @param array<mixed>     $data
     * @param list<int|string> $path
     *
     * @return array<mixed>
     */
    private static function with(array $data, array $path, float|int $value): array
    {
        $name = array_shift($path);
        \assert(null !== $name);
        $data[$name] = [] === $path ? $value : self::with((array) $data[$name], $path, $value);

        return $data;
    }

    /** @return iterable<array{string}> */
    public static function strangeTexts(): iterable
    {
        yield ['{"a": "\ud800"}'];
        yield ['{"\u0000a": 1}'];
        yield ['[1e999]'];
        yield ['1e999'];
        yield ["{\"a\": \"\x80\"}"];
        yield ['null'];
    }

    #[DataProvider('strangeTexts')]
    public function testStrangeTextsAreRefused(string $text): void
    {
        foreach (['/api/choose', '/api/heat', '/api/comparisons', '/api/plan-chances'] as $path) {
            $status = $this->send('POST', $path, $text)->getStatusCode();
            self::assertGreaterThanOrEqual(400, $status);
            self::assertLessThan(500, $status, "$path $text");
        }
    }

    /** The last member of a name counts, as JSON has it. */
    private function choice(string $members): string
    {
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];

        return '{"materialId": "pla", "printerId": "'.$printer.'", "lotId": null, "roomC": 20, "partCount": 1, "jobMinutes": null, '.$members.'}';
    }
}
