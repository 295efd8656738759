<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\UnusableKey;

/** All kinds of questions that a comparison can be asked. */
final readonly class PlanQuestions
{
    /** @var array<string, PlanQuestion> */
    private array $byKey;

    /** @param iterable<PlanQuestion> $questions that of setups as they were picked comes first */
    public function __construct(iterable $questions)
    {
        $byKey = [];
        foreach ($questions as $question) {
            if (isset($byKey[$question->key()]) || 1 !== preg_match('/^[a-z][a-z_]{0,29}$/', $question->key())) {
                throw UnusableKey::of($question->key());
            }
            $byKey[$question->key()] = $question;
        }
        $this->byKey = array_intersect_key($byKey, [WhichOfThese::KEY => true]) + $byKey;
    }

    public function of(string $key): ?PlanQuestion
    {
        return $this->byKey[$key] ?? null;
    }

    /** Whether the setups of such a comparison are rungs that are tried in turn. */
    public function inTurn(string $key): bool
    {
        return true === $this->of($key)?->inTurn();
    }

    /** @return list<PlanQuestion> */
    public function all(): array
    {
        return array_values($this->byKey);
    }
}
