<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\ChartLine;
use Sitzplatz\Catalogue\ChartWord;
use Sitzplatz\Catalogue\OwnKind;
use Sitzplatz\Catalogue\Window;

/** A kind of surface or material of the shop's own, with its maker's chart. */
#[ORM\MappedSuperclass]
abstract class StoredKind extends VersionedRow
{
    #[ORM\Column(length: 80, unique: true)]
    public string $name;

    #[ORM\Column]
    public bool $retired = false;

    #[ORM\Column(length: 80)]
    public string $who = '';

    /** @var array<string, mixed> what was sent of it, as the contract has it */
    #[ORM\Column(type: 'json')]
    public array $details = [];

    /** @param array<string, mixed> $body a body that has passed the contract */
    public function apply(array $body, string $who): void
    {
        $this->name = trim($body['name']);
        $this->retired = $body['retired'] ?? false;
        $this->who = $who;
        unset($body['id'], $body['version'], $body['name'], $body['retired']);
        $this->details = $body;
    }

    /** As the catalogue knows it. */
    public function kindId(): string
    {
        return 'own_'.str_replace('-', '', $this->id->toRfc4122());
    }

    abstract public function kind(): OwnKind;

    /** @return list<ChartLine> */
    public function chart(): array
    {
        return array_values(array_map($this->line(...), $this->details['chart']));
    }

    /**
     * @param array<string, mixed> $line of the chart, as it was sent
     *
     * @throws BadCatalogue if its window is none
     */
    public function line(array $line): ChartLine
    {
        $axis = $this->filament() ? Axis::Celsius : Axis::Seconds;

        return new ChartLine(
            $line['materialId'] ?? $this->kindId(),
            $line['surfaceId'] ?? $this->kindId(),
            $line['agentKindId'],
            ChartWord::from($line['says']),
            null === $line['window'] ? null : new Window((float) $line['window'][0], (float) $line['window'][1], (float) $line['window'][2], $axis),
            null === $line['releaseC'] ? null : (float) $line['releaseC'],
            $line['note'],
        );
    }

    public function filament(): bool
    {
        return 'resin' !== $this->details['kind'];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'kindId' => $this->kindId(),
            'name' => $this->name,
            'retired' => $this->retired,
            'who' => $this->who,
            ...$this->details,
        ];
    }
}
