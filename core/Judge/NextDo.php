<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** What is done next with a verdict. */
enum NextDo: string
{
    case Finish = 'finish';
    case Run = 'run';
    case Record = 'record';
    case Propose = 'propose';
    case PlanAgain = 'plan_again';
    case Wash = 'wash';
    case LessGrip = 'less_grip';
    case Choose = 'choose';
}
