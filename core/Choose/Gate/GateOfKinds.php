<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

/** A gate that looks at the kinds of material, surface and agent alone: what it says holds for every side of a kind. */
interface GateOfKinds extends Gate
{
}
