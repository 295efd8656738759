<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Test\OnePersonShop;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The settings of the shop; a lead changes them. */
final readonly class ShopSettings
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private Audit $audit,
        private Now $now,
    ) {
    }

    public function ladder(): Ladder
    {
        return $this->settings()->ladder;
    }

    public function onePersonShop(): OnePersonShop
    {
        return $this->settings()->onePersonShop();
    }

    #[Route('/api/settings', name: 'getSettings', methods: ['GET'])]
    public function get(): Answer
    {
        return new Answer($this->settings()->toArray());
    }

    #[Route('/api/settings', name: 'saveSettings', methods: ['PUT'])]
    public function save(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $saved = $this->edit->save(ShopSetting::class, ShopSetting::ID, $body, function (ShopSetting $settings) use ($body): void {
            $settings->onePerson = $body['onePerson'];
            $settings->voidAfterHours = (float) $body['voidAfterHours'];
            $settings->ladder = Ladder::from($body['ladder'] ?? $settings->ladder->value);
            $settings->address = $body['address'] ?? $settings->address;
            $this->audit->note('settings changed', $settings->id, $body);
        });

        return new Answer($saved->toArray());
    }

    private function settings(): ShopSetting
    {
        return $this->entities->find(ShopSetting::class, Uuid::fromString(ShopSetting::ID)) ?? new ShopSetting($this->now->time());
    }
}
