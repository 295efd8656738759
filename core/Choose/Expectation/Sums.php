<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Evidence\Learned\Situation;

/** Some of what moves the grades of practice, which many setups share. */
final readonly class Sums
{
    /**
     * @param list<Influence>      $all
     * @param array<string, float> $onHold    by name, on log-odds
     * @param array<string, float> $onRelease
     */
    private function __construct(public array $all, public array $onHold, public array $onRelease)
    {
    }

    /** @param list<Influence> $influences */
    public static function of(array $influences): self
    {
        $onHold = $onRelease = [];
        foreach ($influences as $influence) {
            if (abs($influence->onHold) > 0.0) {
                $onHold[$influence->id] = $influence->onHold;
            }
            if (abs($influence->onRelease) > 0.0) {
                $onRelease[Situation::OF_RELEASE.$influence->id] = $influence->onRelease;
            }
        }

        return new self($influences, $onHold, $onRelease);
    }

    /** @return array<string, float> of both, by name */
    public function measures(): array
    {
        return $this->onHold + $this->onRelease;
    }
}
