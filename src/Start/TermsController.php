<?php

declare(strict_types=1);

namespace App\Start;

use App\Platform\Http\Answer;
use Sitzplatz\Judge\Method\Methods;
use Sitzplatz\Judge\Method\StatisticalMethod;
use Sitzplatz\Test\AddedStep;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\Steps;
use Symfony\Component\Routing\Attribute\Route;

/** What was added to the measures, steps and methods that every shop has: enough for an interface to enter, name and show it. */
final readonly class TermsController
{
    public function __construct(private Measures $measures, private Steps $steps, private Methods $methods)
    {
    }

    #[Route('/api/terms', name: 'getTerms', methods: ['GET'])]
    public function terms(): Answer
    {
        return new Answer([
            'measures' => array_map(static fn (Measured $measure): array => [
                'key' => $measure->key(),
                'words' => $measure->words(),
                'scale' => $measure->scale()->value,
                'unit' => $measure->units()[0],
                'figure' => $measure->shown()->value,
                'levels' => $measure->levels(),
                'step' => $measure->step()?->value,
                'places' => $measure->places(),
            ], $this->measures->added()),
            'steps' => array_map(static fn (AddedStep $step): array => ['key' => $step->key(), 'words' => $step->words()], $this->steps->added()),
            'methods' => array_values(array_map(
                static fn (StatisticalMethod $method): array => ['key' => $method->key(), 'words' => $method->words()],
                $this->methods->byKey,
            )),
        ]);
    }
}
