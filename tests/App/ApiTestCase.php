<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Contract\Contract;
use App\Platform\Http\CsrfGuard;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\HttpFoundation\Response;

/** Asks the API as a browser does, holds every answer against the contract, and takes everything back after each test. */
abstract class ApiTestCase extends WebTestCase
{
    protected KernelBrowser $browser;
    private string $token = '';
    /** Read once for all tests. */
    private static ?Contract $contract = null;

    protected function setUp(): void
    {
        $this->browser = self::createClient();
        $this->browser->disableReboot();
        $this->database()->beginTransaction();
    }

    protected function tearDown(): void
    {
        $this->database()->rollBack();
        $this->database()->close();
        parent::tearDown();
    }

    protected function database(): Connection
    {
        $database = self::getContainer()->get(Connection::class);
        self::assertInstanceOf(Connection::class, $database);

        return $database;
    }

    protected function signIn(string $role): void
    {
        $session = $this->ask('POST', '/api/demo-session', ['role' => $role], 200);
        $this->token = (string) $session['csrf'];
    }

    protected function forgetToken(): void
    {
        $this->token = '';
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array<mixed>
     */
    protected function ask(string $method, string $path, ?array $body = null, ?int $expected = null): array
    {
        $response = $this->send(
            $method,
            $path,
            null === $body ? null : json_encode([] === $body ? new \stdClass() : $body, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION),
        );
        $content = (string) $response->getContent();
        if (null !== $expected) {
            self::assertSame($expected, $response->getStatusCode(), "$method $path: $content");
        }
        $data = json_decode($content, true);

        return \is_array($data) ? $data : [];
    }

    /** @param array<string, string> $headers as a server has them */
    protected function send(string $method, string $path, ?string $body, string $type = 'application/json', array $headers = []): Response
    {
        $this->browser->request(
            $method,
            $path,
            server: ['CONTENT_TYPE' => $type, 'HTTP_'.strtoupper(str_replace('-', '_', CsrfGuard::HEADER)) => $this->token] + $headers,
            content: $body,
        );
        $response = $this->browser->getResponse();
        $this->assertKeepsTheContract($response);
        // A new request begins with nothing in memory, as it does on the server.
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $entities);
        $entities->clear();

        return $response;
    }

    private function assertKeepsTheContract(Response $response): void
    {
        $route = $this->browser->getRequest()->attributes->get('_route');
        if (!\is_string($route) || 'shell' === $route || 204 === $response->getStatusCode()) {
            return;
        }
        $contract = self::contract();
        $problem = $response->getStatusCode() >= 400;
        $type = explode(';', (string) $response->headers->get('Content-Type'))[0];
        if (!$problem && \in_array($type, ['text/csv', 'model/stl', 'model/3mf', 'image/jpeg'], true)) {
            self::assertStringContainsString($type, (string) json_encode($this->answers($contract, $route), \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR), $route);

            return;
        }
        self::assertSame($problem ? 'application/problem+json' : 'application/json', $response->headers->get('Content-Type'), $route);
        $data = json_decode((string) $response->getContent(), false, 512, \JSON_THROW_ON_ERROR);
        $pointer = $problem ? '/components/schemas/Problem' : $this->schemaOf($contract, $route, $response->getStatusCode());
        self::assertSame([], $contract->errors($data, $pointer), "$route does not answer as docs/openapi.yaml says: ".$response->getContent());
        self::assertSame('no-store', str_contains((string) $response->headers->get('Cache-Control'), 'no-store') ? 'no-store' : '', $route);
    }

    protected static function contract(): Contract
    {
        if (null === self::$contract) {
            $contract = self::getContainer()->get(Contract::class);
            self::assertInstanceOf(Contract::class, $contract);
            self::$contract = $contract;
        }

        return self::$contract;
    }

    private function answers(Contract $contract, string $route): \stdClass
    {
        $pointer = $contract->operation($route);
        $method = substr($pointer, (int) strrpos($pointer, '/') + 1);
        $path = str_replace(['~1', '%7B', '%7D'], ['/', '{', '}'], substr($pointer, \strlen('/paths/'), -\strlen($method) - 1));

        return $contract->document()->paths->{$path}->{$method}->responses;
    }

    private function schemaOf(Contract $contract, string $route, int $status): string
    {
        $pointer = $contract->operation($route);
        $response = $this->answers($contract, $route)->{$status} ?? null;
        self::assertNotNull($response, "docs/openapi.yaml does not know $status for $route.");

        // A response may be named once and pointed to.
        return (isset($response->{'$ref'}) ? substr($response->{'$ref'}, 1) : "$pointer/responses/$status").'/content/application~1json/schema';
    }

    /** @return array<string, mixed> the first row of a list whose member has the value */
    protected function pick(string $path, string $member, string $value): array
    {
        foreach ($this->ask('GET', $path, null, 200) as $row) {
            if (\is_array($row) && ($row[$member] ?? null) === $value) {
                return $row;
            }
        }
        self::fail("There is no $value in $path.");
    }

    protected function side(string $label): string
    {
        foreach ($this->ask('GET', '/api/plates', null, 200) as $plate) {
            foreach ($plate['sides'] as $side) {
                if ($side['label'] === $label) {
                    return $side['id'];
                }
            }
        }
        self::fail("There is no side $label.");
    }

    protected function rowsIn(string $table): int
    {
        $n = $this->database()->fetchOne("SELECT COUNT(*) FROM $table");

        return is_numeric($n) ? (int) $n : 0;
    }

    /**
     * A comparison as it may be planned in the demo.
     *
     * @param list<array<string, mixed>> $setups
     * @param array<string, mixed>       $plan      what is to be otherwise
     * @param array<string, mixed>       $constants
     *
     * @return array<string, mixed>
     */
    protected function plan(array $setups, array $plan = [], array $constants = []): array
    {
        return $plan + [
            'title' => 'Which one?',
            'lotId' => $this->pick('/api/lots', 'label', 'L-101')['id'],
            'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
            'roomC' => 20,
            'constants' => $constants + [
                'piece' => ['name' => 'Block', 'alongPullMm' => 20, 'acrossPullMm' => 6, 'pullHeightMm' => 8],
                'gcodeName' => 'b.gcode',
                'nozzleMm' => 0.4,
                'nozzleFirstC' => 215,
                'lineWidthMm' => 0.45,
                'gapMm' => 0.1,
                'feeler' => 'paper',
                'firstLayerSpeedMmS' => 20,
                'fan' => 'off',
                'holdDown' => 'magnets',
                'brim' => 'none',
            ],
            'limits' => ['hotPullAtLeastN' => 20, 'coldPullAtMostN' => 12, 'effortAtMost' => 2, 'failuresAllowed' => 0],
            'durations' => [
                'prepareMinutes' => 4,
                'heatAndSoakMinutes' => 8,
                'printMinutes' => 24,
                'coolMinutes' => 20,
                'inspectAndCleanMinutes' => 5,
                'plateChangeMinutes' => 6,
            ],
            'runsPerSetup' => 12,
            'hotPerSetup' => 6,
            'seed' => 4,
            'setups' => $setups,
        ];
    }
}
