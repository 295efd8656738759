<?php

declare(strict_types=1);

namespace App\Keep;

use App\Shelf\Number;
use App\Test\SetupDial;

/** What the display must show for a profile, and what its surface then has. */
final readonly class ProfileDial
{
    public function __construct(private SetupDial $dial)
    {
    }

    /** @return array<string, mixed>|null null: unheated, or not bound to a printer and a side that are here */
    public function of(Profile $profile): ?array
    {
        $scope = $profile->document['scope'];

        return null === $profile->side || null === $profile->printer ? null : $this->dial->at(
            Number::orNull($profile->document['setting']['bedFirstC']),
            $profile->printer,
            $profile->side,
            ((float) $scope['roomLowC'] + (float) $scope['roomHighC']) / 2,
        )?->toArray();
    }
}
