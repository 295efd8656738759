<?php

declare(strict_types=1);

namespace App\Fix;

use App\Catalogue\CatalogueLoader;
use Sitzplatz\Fix\Cause;
use Sitzplatz\Fix\Then;
use Sitzplatz\Words\CatalogueText;

/** The causes of a symptom, from the catalogue. */
final readonly class KnownCauses
{
    public function __construct(private CatalogueLoader $loader)
    {
    }

    /** @return array<string, CatalogueText> by id */
    public function symptoms(): array
    {
        $symptoms = [];
        foreach ($this->data()['symptoms'] as $each) {
            $symptoms[$each['id']] = new CatalogueText("symptom.{$each['id']}.name", $each['name']);
        }

        return $symptoms;
    }

    /** Whether the part is still on the plate, and has to be taken off first. */
    public function sitsFast(string $symptomId): bool
    {
        return array_column($this->data()['symptoms'], null, 'id')[$symptomId]['sits_fast'] ?? false;
    }

    /** @return array<string, Cause> by id; none: there is no such symptom */
    public function of(string $symptomId): array
    {
        $causes = [];
        foreach ($this->data()['causes'] as $each) {
            if (isset($each['for'][$symptomId])) {
                $causes[$each['id']] = self::cause($each, (float) $each['for'][$symptomId]);
            }
        }

        return $causes;
    }

    /** @return array<string, CatalogueText> of all, by id */
    public function names(): array
    {
        return array_map(
            static fn (array $each): CatalogueText => new CatalogueText("cause.{$each['id']}.name", $each['name']),
            array_column($this->data()['causes'], null, 'id'),
        );
    }

    /**
     * @param array{
     *     id: string, name: string, do: string, minutes: int|float, helps?: int|float, then: string, on?: array<string, int|float>,
     *     where?: array<string, int|float>,
     * } $row
     */
    private static function cause(array $row, float $often): Cause
    {
        return new Cause(
            $row['id'],
            new CatalogueText("cause.{$row['id']}.name", $row['name']),
            new CatalogueText("cause.{$row['id']}.do", $row['do']),
            (float) $row['minutes'],
            (float) ($row['helps'] ?? Cause::USUALLY_HELPS),
            $often,
            array_map(floatval(...), $row['on'] ?? []),
            Then::from($row['then']),
            array_map(floatval(...), $row['where'] ?? []),
        );
    }

    /**
     * @return array{
     *     symptoms: list<array{id: string, name: string, sits_fast?: bool}>,
     *     causes: list<array{id: string, name: string, do: string, minutes: int|float, helps?: int|float, then: string, on?: array<string, int|float>,
     *         where?: array<string, int|float>, for: array<string, int>}>,
     * }
     */
    private function data(): array
    {
        return $this->loader->data()['checks'];
    }
}
