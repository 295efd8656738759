<?php

declare(strict_types=1);

namespace App\Care;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Sitzplatz\Mixing\Calculator;
use Sitzplatz\Mixing\CalculatorInput;
use Sitzplatz\Mixing\CannotCalculate;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** The sums of the bench, each by itself. */
final readonly class CalculatorController
{
    /** @param iterable<Calculator> $calculators */
    public function __construct(#[AutowireIterator('sitzplatz.calculator')] private iterable $calculators, private Contract $contract)
    {
    }

    #[Route('/api/calculators', name: 'listCalculators', methods: ['GET'])]
    public function all(): Answer
    {
        $all = [];
        foreach ($this->calculators as $calculator) {
            $all[] = ['key' => $calculator->key(), 'words' => $calculator->words(), 'inputs' => array_map(static fn (CalculatorInput $input): array => [
                'key' => $input->key,
                'words' => $input->words,
                'figure' => $input->shown->value,
                'usual' => $input->usual,
                'least' => $input->least,
                'most' => $input->most,
                'options' => $input->options,
            ], $calculator->inputs())];
        }

        return new Answer($all);
    }

    #[Route('/api/calculators/{key}', name: 'calculate', methods: ['POST'])]
    public function calculate(string $key, Request $request): Answer
    {
        $given = $this->contract->body($request)['values'];
        foreach ($this->calculators as $calculator) {
            if ($calculator->key() !== $key) {
                continue;
            }
            $values = [];
            foreach ($calculator->inputs() as $input) {
                $value = $given[$input->key] ?? throw Problem::invalid("values.{$input->key}", Sentence::of('calculator.missing', what: $input->words));
                if ($value < $input->least || $value > $input->most) {
                    $range = static fn (float $bound): Quantity => Quantity::make($input->shown->kind(), $bound, $input->shown->step());
                    throw Problem::invalid("values.{$input->key}", Sentence::of('calculator.range', least: $range($input->least), most: $range($input->most)));
                }
                $values[$input->key] = (float) $value;
            }
            try {
                $answer = $calculator->of($values);
            } catch (CannotCalculate $e) {
                throw Problem::invalid('values', $e->sentence, previous: $e);
            }

            return new Answer(['lines' => $answer->lines, 'cautions' => $answer->cautions, 'source' => $answer->source]);
        }
        throw Problem::notFound();
    }
}
