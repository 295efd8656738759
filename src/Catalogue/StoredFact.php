<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Platform\Database\Row;
use App\Platform\Database\Withdrawable;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\ShopFact;
use Sitzplatz\Catalogue\Window;
use Symfony\Component\Uid\Uuid;

/** What the shop holds true of a pair; never changed, only withdrawn or followed by another. */
#[ORM\Entity]
#[ORM\Table(name: 'shop_fact')]
class StoredFact extends Row
{
    use Withdrawable;

    #[ORM\Column(length: 80)]
    public string $withdrawnBy = '';

    /** @param list<float>|null $window low, target, high */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 40)]
        public readonly string $materialId,
        #[ORM\Column(length: 40)]
        public readonly string $surfaceId,
        /** A kind of the catalogue; null: bare. */
        #[ORM\Column(length: 40, nullable: true)]
        public readonly ?string $agentKindId,
        #[ORM\Column(name: 'window_points', type: 'json', nullable: true)]
        public readonly ?array $window,
        #[ORM\Column(nullable: true)]
        public readonly ?float $releaseC,
        #[ORM\Column(length: 10)]
        public readonly AgentRole $role,
        #[ORM\Column(length: 10)]
        public readonly Grade $hold,
        #[ORM\Column(name: 'release_grade', length: 10)]
        public readonly Grade $release,
        #[ORM\Column]
        public readonly bool $barrier,
        #[ORM\Column(length: 500)]
        public readonly string $why,
        #[ORM\Column(length: 80)]
        public readonly string $who,
        #[ORM\Column(options: ['default' => false])]
        public readonly bool $openPrinter = false,
    ) {
        parent::__construct($id, $at);
    }

    public function fact(bool $filament): ShopFact
    {
        return new ShopFact(
            $this->materialId,
            $this->surfaceId,
            $this->agentKindId,
            null === $this->window ? null : new Window(
                (float) $this->window[0],
                (float) $this->window[1],
                (float) $this->window[2],
                $filament ? Axis::Celsius : Axis::Seconds,
            ),
            $this->releaseC,
            $this->role,
            $this->hold,
            $this->release,
            $this->barrier,
            $this->why,
            $this->who,
            $this->createdAt->format('Y-m-d'),
            $this->openPrinter,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'materialId' => $this->materialId,
            'surfaceId' => $this->surfaceId,
            'agentKindId' => $this->agentKindId,
            'window' => $this->window,
            'releaseC' => $this->releaseC,
            'role' => $this->role->value,
            'hold' => $this->hold->value,
            'release' => $this->release->value,
            'barrier' => $this->barrier,
            'openPrinter' => $this->openPrinter,
            'why' => $this->why,
            'who' => $this->who,
            'at' => $this->createdAt->format(\DATE_ATOM),
            'withdrawnAt' => $this->withdrawnAt?->format(\DATE_ATOM),
            'withdrawnBy' => $this->withdrawnBy,
        ];
    }
}
