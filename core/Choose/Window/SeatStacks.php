<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;

/** The stacks of one printer, made once for plates that are built alike: what is reckoned of one is reckoned of all. */
final class SeatStacks
{
    /** @var array<string, Stack|null> */
    private array $stacks = [];

    public function __construct(private readonly PrinterFacts $printer)
    {
    }

    /**
     * Null: as {@see SeatStack::of}.
     *
     * @throws BadHeat if a figure cannot be
     */
    public function of(SideFacts $side): ?Stack
    {
        $key = implode(',', array_map(static fn (Layer $l): string => $l->of->id.$l->thicknessMm.'/'.$l->contactBelowM2KW, $side->layers));
        $measured = $side->measured;
        if (null !== $measured) {
            $key .= '|'.$measured->displayC.'/'.$measured->surfaceC.'/'.$measured->roomC;
        }
        if (!\array_key_exists($key, $this->stacks)) {
            $this->stacks[$key] = SeatStack::of($this->printer, $side);
        }

        return $this->stacks[$key];
    }
}
