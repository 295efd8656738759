<?php

declare(strict_types=1);

namespace App\Keep;

use App\Shelf\Number;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use App\Test\SetupDial;

/** What the display must show for a profile, and what its surface then has. */
final readonly class ProfileDial
{
    public function __construct(private SetupDial $dial)
    {
    }

    /** @param list<Printer> $printers that will be asked for */
    public function readAhead(array $printers): void
    {
        $this->dial->readAhead($printers);
    }

    /** @return array<string, mixed>|null null: unheated, or not bound to a printer and a side that are here */
    public function of(Profile $profile): ?array
    {
        return $this->at($profile->document, $profile->printer, $profile->side?->onShelf());
    }

    /**
     * @param array<string, mixed> $terms scope and setting
     *
     * @return array<string, mixed>|null as {@see of}
     */
    public function at(array $terms, ?Printer $printer, ?SideOnShelf $side): ?array
    {
        $bedC = Number::orNull($terms['setting']['bedFirstC']);
        $scope = $terms['scope'];

        return null === $bedC || null === $printer || null === $side
            ? null
            : $this->dial->on($bedC, $printer, $side, ((float) $scope['roomLowC'] + (float) $scope['roomHighC']) / 2)->toArray();
    }
}
