<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A kind of surface or material that the shop has and the catalogue does not, with what its maker says of it. */
final readonly class OwnKind
{
    /**
     * @param array<string, mixed> $row   as one of surfaces.yaml or materials.yaml, its basis maker guidance
     * @param list<ChartLine>      $chart each with this kind on one side
     */
    private function __construct(public string $id, public bool $surface, public array $row, public array $chart)
    {
    }

    /**
     * @param array<string, mixed> $row   as one of surfaces.yaml
     * @param list<ChartLine>      $chart
     */
    public static function surface(array $row, array $chart): self
    {
        return new self($row['id'], true, ['basis' => Basis::MakerGuidance->value] + $row, $chart);
    }

    /**
     * @param array<string, mixed> $row   as one of materials.yaml
     * @param list<ChartLine>      $chart
     */
    public static function material(array $row, array $chart): self
    {
        return new self($row['id'], false, ['basis' => Basis::MakerGuidance->value] + $row, $chart);
    }
}
