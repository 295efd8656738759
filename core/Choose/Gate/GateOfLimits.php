<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

/** A gate of what printer or plate can do: another printer or plate may pass where this one does not. */
interface GateOfLimits extends Gate
{
}
