<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Contract\Contract;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Parser;

/** Who may ask for what, for every operation of the contract. */
final class PermissionTest extends ApiTestCase
{
    private const ANYBODY = ['health', 'alive', 'getSession', 'openSession', 'openDemoSession', 'createFirstLead', 'closeSession'];
    /** Changes that a viewer may make: their own bench and preferences, and questions that need a body. */
    private const VIEWER = ['saveBench', 'switchBench', 'savePreferences', 'changeOwnPassword', 'endSession', 'choose', 'lookBeyond', 'holdSideBySide', 'diagnose', 'assessEvidence', 'readPart', 'reckonHeat', 'calculate', 'drawTestPiece'];
    private const LEAD = ['saveSettings', 'listUsers', 'createUser', 'updateUser', 'makePrinterToken', 'withdrawPrinterToken', 'listAudit', 'exportAudit'];

    /** For whoever has a token of its own, and for nobody who is signed in. */
    private const MACHINE = ['reportPrint'];

    /** @return iterable<string, array{string, string, string}> operation, method, path */
    public static function operations(): iterable
    {
        /** @var array{paths: array<string, array<string, array{operationId: string}>>} $document */
        $document = (new Parser(maxAliasesForCollections: 1_000))->parseFile(\dirname(__DIR__, 2).'/docs/openapi.yaml');
        foreach ($document['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                yield $operation['operationId'] => [
                    $operation['operationId'],
                    strtoupper($method),
                    str_replace('{id}', '01a21069-0d5e-7462-8f3a-38958df615d9', $path),
                ];
            }
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function guarded(): iterable
    {
        foreach (self::operations() as $name => $operation) {
            if (!\in_array($name, [...self::ANYBODY, ...self::MACHINE], true)) {
                yield $name => $operation;
            }
        }
    }

    /** @return iterable<string, array{string, string, string}> changes that need something in their body */
    public static function changes(): iterable
    {
        foreach (self::operations() as $name => $operation) {
            if (\in_array($operation[1], ['POST', 'PUT'], true) && !\in_array($name, ['beginCapture', ...self::MACHINE], true)) {
                yield $name => $operation;
            }
        }
    }

    #[DataProvider('operations')]
    public function testNobodyUnlessItIsForAnybody(string $operation, string $method, string $path): void
    {
        $this->send($method, $path, 'GET' === $method ? null : '{}');
        $status = $this->browser->getResponse()->getStatusCode();
        if (\in_array($operation, self::ANYBODY, true)) {
            self::assertNotSame(401, $status, $operation);
        } else {
            self::assertSame(401, $status, $operation);
        }
    }

    #[DataProvider('guarded')]
    public function testAViewerLooksAndChangesNothing(string $operation, string $method, string $path): void
    {
        $this->signIn('viewer');
        $before = $this->rowsIn('audit_entry');
        $this->send($method, $path, 'GET' === $method ? null : '{}');
        $status = $this->browser->getResponse()->getStatusCode();
        $allowed = !\in_array($operation, self::LEAD, true) && ('GET' === $method || \in_array($operation, self::VIEWER, true));
        self::assertSame(!$allowed, 403 === $status, "$operation: $status");
        self::assertSame($before, $this->rowsIn('audit_entry'));
    }

    #[DataProvider('guarded')]
    public function testATechnicianKeepsNoAccountsAndGivesNoSignature(string $operation, string $method, string $path): void
    {
        $this->signIn('technician');
        $bodies = [
            'signProfile' => '{"version":1,"password":"hilltop","trial":false,"reason":""}',
            'withdrawProfile' => '{"version":1,"password":"hilltop","reason":"because"}',
        ];
        $this->send($method, $path, 'GET' === $method ? null : ($bodies[$operation] ?? '{}'));
        $forbidden = \in_array($operation, [...self::LEAD, 'signProfile', 'withdrawProfile'], true);
        self::assertSame($forbidden, 403 === $this->browser->getResponse()->getStatusCode(), $operation);
    }

    #[DataProvider('changes')]
    public function testAnEmptyBodyIsRefusedWithoutATrace(string $operation, string $method, string $path): void
    {
        $this->signIn('lead');
        $before = [$this->rowsIn('created_key'), $this->rowsIn('audit_entry')];
        $this->send($method, $path, '{}');
        // What belongs to a row is looked up first, and there is none with this key.
        self::assertContains($this->browser->getResponse()->getStatusCode(), str_contains($path, '01a21069') ? [404, 422] : [422], $operation);
        self::assertSame($before, [$this->rowsIn('created_key'), $this->rowsIn('audit_entry')]);
        $contract = self::getContainer()->get(Contract::class);
        self::assertInstanceOf(Contract::class, $contract);
        self::assertStringStartsWith('/paths/', $contract->operation($operation));
    }
}
