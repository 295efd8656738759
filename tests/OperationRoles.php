<?php

declare(strict_types=1);

namespace Sitzplatz\Tests;

use Symfony\Component\Yaml\Parser;

/** Who may ask for what, for every operation of the contract; what is in no list is for whoever may change things, or for all who look. */
final class OperationRoles
{
    public const ANYBODY = ['health', 'alive', 'getNetwork', 'getSession', 'openSession', 'openDemoSession', 'createFirstLead', 'closeSession'];
    /** Changes that a viewer may make: their own bench and preferences, and questions that need a body. */
    public const VIEWER = ['saveBench', 'switchBench', 'savePreferences', 'changeOwnPassword', 'endSession', 'choose', 'lookBeyond', 'holdSideBySide', 'diagnose', 'assessEvidence', 'readPart', 'reckonHeat', 'calculate', 'drawTestPiece'];
    public const LEAD = ['saveSettings', 'listUsers', 'createUser', 'updateUser', 'makePrinterToken', 'withdrawPrinterToken', 'listAudit', 'exportAudit', 'getBackupKey', 'confirmBackupKey'];
    /** For whoever has a token of its own, and for nobody who is signed in. */
    public const MACHINE = ['reportPrint'];

    /** @return iterable<string, array{string, string, string}> by operation: it, its method and its path */
    public static function all(string $root): iterable
    {
        /** @var array{paths: array<string, array<string, array{operationId: string}>>} $document */
        $document = (new Parser(maxAliasesForCollections: 1_000))->parseFile("$root/docs/openapi.yaml");
        foreach ($document['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                yield $operation['operationId'] => [$operation['operationId'], strtoupper($method), $path];
            }
        }
    }

    public static function isOpen(string $operation, string $method, string $role): bool
    {
        return match (true) {
            \in_array($operation, self::ANYBODY, true) => true,
            'nobody' === $role, \in_array($operation, self::MACHINE, true) => false,
            \in_array($operation, self::LEAD, true) => 'lead' === $role,
            'viewer' === $role => 'GET' === $method || \in_array($operation, self::VIEWER, true),
            default => true,
        };
    }
}
