<?php

declare(strict_types=1);

namespace App\Catalogue;

use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\OwnKind;

#[ORM\Entity]
#[ORM\Table(name: 'own_material')]
class StoredMaterial extends StoredKind
{
    public function kind(): OwnKind
    {
        $of = $this->details;
        $drying = $of['drying'];

        return OwnKind::material(array_filter([
            'id' => $this->kindId(),
            'name' => $this->name,
            'kind' => $of['kind'],
            'glass_transition_c' => $of['glassTransitionC'],
            'crystallises_c' => $of['crystallisesC'],
            'bed_c' => $of['bedC'],
            'nozzle_c' => $of['nozzleC'],
            'expansion_um_mk' => $of['expansionUmMK'],
            'modulus_gpa' => $of['modulusGpa'],
            'enclosure' => 'no' === $of['enclosure'] ? null : $of['enclosure'],
            'fumes' => $of['fumes'],
            'moisture' => null === $drying ? null : ['dry_hours' => $drying['hours'], 'dry_c' => $drying['celsius'], 'good_days' => $drying['goodDays']],
            'notes' => $of['notes'],
        ], static fn (mixed $value): bool => null !== $value), $this->chart());
    }
}
