<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Words\Sentence;

/** What has to be ready before something is tried that practice rules out (common practice). */
enum Precaution: string
{
    /** Plate and sheet may be lost by it. */
    case MayBeLost = 'may_be_lost';
    /** Glass chips fly when a part tears them out, or the pane breaks. */
    case GlassesAndGloves = 'glasses_gloves';
    /** The part is likely to come loose under the nozzle. */
    case StayWithIt = 'stay_with_it';

    public function words(): Sentence
    {
        return Sentence::of("precaution.$this->value");
    }
}
