<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\AddedStep;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\Steps;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\UnusableKey;

/** What a shop adds to every run sheet has a key of its own. */
final class StepsTest extends TestCase
{
    /** @param list<string> $keys */
    #[TestWith([['weigh_in', 'dry_again']])]
    #[TestWith([['a']])]
    public function testAKeyOfItsOwnIsTaken(array $keys): void
    {
        new Steps(array_map(self::step(...), $keys));
        $this->addToAssertionCount(1);
    }

    /** @param list<string> $keys */
    #[TestWith([['prepare']], 'the rules have it')]
    #[TestWith([['weigh_in', 'weigh_in']], 'there twice')]
    #[TestWith([['Weigh']], 'with a capital')]
    #[TestWith([['2nd']], 'with a digit first')]
    #[TestWith([['']], 'nothing')]
    #[TestWith([['a_key_of_twenty_one_s']], 'too long')]
    public function testAnyOtherIsNot(array $keys): void
    {
        $this->expectException(UnusableKey::class);
        new Steps(array_map(self::step(...), $keys));
    }

    private static function step(string $key): AddedStep
    {
        return new class($key) implements AddedStep {
            public function __construct(private readonly string $key)
            {
            }

            public function key(): string
            {
                return $this->key;
            }

            public function occupiesPrinter(bool $plateFixed): bool
            {
                return $plateFixed;
            }

            public function words(): Phrase
            {
                return new OwnText($this->key);
            }

            public function after(): RunStep
            {
                return RunStep::Inspect;
            }

            public function lines(): array
            {
                return [];
            }

            public function cautions(): array
            {
                return [];
            }

            public function timerSeconds(): ?int
            {
                return null;
            }
        };
    }
}
