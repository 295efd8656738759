<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Contract\Contract;
use PHPUnit\Framework\Attributes\DataProvider;
use Sitzplatz\Tests\OperationRoles;

/** Who may ask for what, for every operation of the contract. */
final class PermissionTest extends ApiTestCase
{
    /** @return iterable<string, array{string, string, string}> operation, method, path */
    public static function operations(): iterable
    {
        foreach (OperationRoles::all(\dirname(__DIR__, 2)) as $name => [$operation, $method, $path]) {
            yield $name => [$operation, $method, str_replace('{id}', '01a21069-0d5e-7462-8f3a-38958df615d9', $path)];
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function guarded(): iterable
    {
        foreach (self::operations() as $name => $operation) {
            if (!\in_array($name, [...OperationRoles::ANYBODY, ...OperationRoles::MACHINE], true)) {
                yield $name => $operation;
            }
        }
    }

    /** @return iterable<string, array{string, string, string}> changes that need something in their body */
    public static function changes(): iterable
    {
        foreach (self::operations() as $name => $operation) {
            if (\in_array($operation[1], ['POST', 'PUT'], true) && !\in_array($name, ['beginCapture', ...OperationRoles::MACHINE], true)) {
                yield $name => $operation;
            }
        }
    }

    #[DataProvider('operations')]
    public function testNobodyUnlessItIsForAnybody(string $operation, string $method, string $path): void
    {
        $this->send($method, $path, 'GET' === $method ? null : '{}');
        $status = $this->browser->getResponse()->getStatusCode();
        if (\in_array($operation, OperationRoles::ANYBODY, true)) {
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
        $allowed = OperationRoles::isOpen($operation, $method, 'viewer');
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
        $forbidden = \in_array($operation, [...OperationRoles::LEAD, 'signProfile', 'withdrawProfile'], true);
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
        self::assertStringStartsWith('/paths/', self::contract()->operation($operation));
    }
}
