<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** Learns again and again from the answers of one shop, each time from where it stood. */
final class Learner
{
    /** Fewer answers do not say by how much effects differ. */
    private const FEWEST = 50;
    /** So much more of them are worth asking that again. */
    private const MORE = 1.1;
    /** Steps towards it, each time. */
    private const STEPS = 3;

    private Shop $shop;
    private int $askedAt = 0;
    /** @var array<string, array{float, float}> */
    private array $older = [];

    /** @param bool $learnsSpreads whether it learns by how much effects differ, too */
    public function __construct(private Spreads $spreads, private readonly bool $learnsSpreads = true)
    {
        $this->shop = Shop::learn([], $spreads);
    }

    /** @param list<Answered> $answers that are too old to be told each time again; what they show is where newer ones begin */
    public function learnOlder(array $answers): void
    {
        $this->older = Shop::learn($answers, $this->spreads)->shown();
    }

    /** @param list<Answered> $answers all of them, but for older ones */
    public function learn(array $answers): void
    {
        $this->shop = Shop::learn($answers, $this->spreads, $this->shop, $this->older);
        if ($this->learnsSpreads && \count($answers) >= max(self::FEWEST, self::MORE * $this->askedAt)) {
            $this->askedAt = \count($answers);
            for ($step = 0; $step < self::STEPS; ++$step) {
                $this->spreads = $this->shop->spreads();
                $this->shop = Shop::learn($answers, $this->spreads, $this->shop, $this->older);
            }
        }
    }

    public function shop(): Shop
    {
        return $this->shop;
    }
}
