<?php

declare(strict_types=1);

namespace App\Catalogue;

use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\OwnKind;

#[ORM\Entity]
#[ORM\Table(name: 'own_surface')]
class StoredSurface extends StoredKind
{
    public function kind(): OwnKind
    {
        $of = $this->details;

        return OwnKind::surface(array_filter([
            'id' => $this->kindId(),
            'name' => $this->name,
            'kind' => $of['kind'],
            'grip' => $of['grip'],
            'limit_c' => $of['limitC'],
            'flexes' => $of['flexes'],
            'freezes' => $of['freezes'],
            'finish' => $of['finish'],
            'plate' => array_map(static fn (array $layer): array => [$layer['of'], $layer['mm']], $of['layers']),
            'cleaners' => $of['cleaners'],
            'harmed_by' => $of['harmedBy'],
            'alcohol_max_percent' => $of['alcoholMaxPercent'],
            'nozzle_limit_c' => $of['nozzleLimitC'],
            'raft_required' => $of['raftRequired'],
            'blinds_inductive_probe' => $of['blindsInductiveProbe'],
            'wants_scuff' => $of['wantsScuff'],
            'works_cold' => $of['worksCold'],
            'life_prints' => $of['lifePrints'],
            'cleaning' => $of['cleaning'],
            'release_way' => $of['releaseWay'],
            'done_hot' => $of['doneHot'],
            'cautions' => $of['cautions'],
        ], static fn (mixed $value): bool => null !== $value), $this->chart());
    }
}
