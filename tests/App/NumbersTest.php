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
