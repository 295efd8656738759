<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\Part;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Why a chance is what it is: from what practice says, step by step, to what is to be expected here. */
final readonly class Why
{
    /** Steps of less than half a point nobody would see; they are drawn together. */
    private const SMALL = 0.005;

    /** @param list<WhyBar> $bars practice first */
    private function __construct(public array $bars, public float $chance, public Interval $interval)
    {
    }

    /** @return array{self, self} of holding, and of coming off */
    public static function of(Candidate $candidate): array
    {
        $chances = $candidate->experience->chances($candidate->proposal->job);
        [$hold, $release] = $chances->parts($candidate->proposal, $candidate->treatment, $candidate->moved);

        return [
            self::steps($candidate, $candidate->hold, $hold),
            self::steps($candidate, $candidate->release, $release),
        ];
    }

    /** @param list<Part> $parts */
    private static function steps(Candidate $candidate, Expectation $expectation, array $parts): self
    {
        $at = $expectation->grade->logOdds();
        $bars = [self::practice($candidate->proposal, $candidate->treatment, $expectation->grade)];
        $rest = 0.0;
        // The sums in their order, and what was learned behind them.
        foreach ($parts as $part) {
            if (abs(LogisticNormal::logistic($at + $part->term->mean) - LogisticNormal::logistic($at)) < self::SMALL) {
                $rest += $part->term->mean;
                continue;
            }
            [$name, $says, $basis] = self::words($part, $candidate->proposal);
            $bars[] = self::bar($part->id, $name, $says, $basis, $at, $part->term->mean, $part->term->variance, $part);
            $at += $part->term->mean;
        }
        if (abs(LogisticNormal::logistic($at + $rest) - LogisticNormal::logistic($at)) >= self::SMALL) {
            $bars[] = self::bar('rest', Sentence::of('why.rest'), Sentence::of('why.says_rest'), Sentence::of('why.on_nothing'), $at, $rest, 0.0);
            $at += $rest;
        }
        // What is left of it is part of what is not known.
        $towards = log($expectation->chance / (1 - $expectation->chance)) - $at;
        if (abs(LogisticNormal::logistic($at) - $expectation->chance) >= self::SMALL) {
            $bars[] = self::bar('doubt', Sentence::of('why.doubt'), Sentence::of('why.says_doubt'), Sentence::of('why.on_nothing'), $at, $towards, 0.0);
        }

        return new self($bars, $expectation->chance, $expectation->interval());
    }

    private static function practice(Proposal $proposal, Treatment $treatment, Grade $grade): WhyBar
    {
        $kind = $treatment->basis->isOnlyTheMakers() ? EffectKind::Chart : EffectKind::Pair;
        $range = (new LogisticNormal($grade->logOdds(), $kind->usualSpread() ** 2))->interval();

        return new WhyBar(
            'practice',
            Sentence::of('why.practice', pair: $proposal->pairWords()),
            Sentence::of('why.grade', grade: Sentence::of('grade.'.$grade->value), share: Quantity::share($grade->share())),
            null === $treatment->shop ? $treatment->basis->words() : Basis::Shop->words(),
            0.0,
            $grade->share(),
            $range->low,
            $range->high,
            $grade->logOdds(),
        );
    }

    private static function bar(string $id, Phrase $name, Phrase $says, Phrase $basis, float $from, float $by, float $variance, ?Part $part = null): WhyBar
    {
        $range = (new LogisticNormal($from + $by, $variance))->interval();
        [$was, $is] = [LogisticNormal::logistic($from), LogisticNormal::logistic($from + $by)];

        return new WhyBar($id, $name, $says, $basis, $was, $is, $range->low, $range->high, $by, $part?->prints, $part?->well);
    }

    /** @return array{Phrase, Phrase, Phrase} its name, what it says, and on what it rests */
    private static function words(Part $part, Proposal $proposal): array
    {
        if (null !== $part->influence) {
            return [Sentence::of('why.name.'.$part->id), $part->influence->words, Sentence::of('why.on_sum')];
        }
        $job = $proposal->job;
        $prints = $part->prints ?? 0;
        if (Situation::PARTS === $part->id) {
            return [Sentence::of('why.parts', parts: Quantity::count($job->partCount)), Sentence::of('why.says_parts'), Sentence::of('why.on_practice')];
        }
        if (Situation::TIME === $part->id) {
            return [Sentence::of('why.time', time: Quantity::minutes($job->minutes ?? 0.0)), Sentence::of('why.says_time'), Sentence::of('why.on_practice')];
        }

        return [
            match ($part->id) {
                'pair' => Sentence::of('why.pair'),
                'seat' => Sentence::of('why.seat', side: new OwnText($proposal->side->label)),
                'printer' => Sentence::of('why.printer', printer: new OwnText($job->printer->name)),
                'lot' => Sentence::of('why.lot'),
                default => Sentence::of('why.purpose'),
            },
            ...($prints > 0 ? [
                Sentence::of('why.says_prints', well: Quantity::count($part->well ?? 0), prints: Quantity::count($prints)),
                Sentence::of('why.on_prints', prints: Quantity::count($prints)),
            ] : [Sentence::of('why.says_none'), Sentence::of('why.on_nothing')]),
        ];
    }
}
