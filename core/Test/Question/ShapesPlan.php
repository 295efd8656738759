<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

/** A question that is answered by runs made in a way of its own. */
interface ShapesPlan
{
    /** @param PlanShape $usual as any comparison of setups would be made */
    public function shape(PlanShape $usual): PlanShape;
}
