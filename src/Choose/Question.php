<?php

declare(strict_types=1);

namespace App\Choose;

use App\Shelf\AgentStock;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\JobOnPrinter;

/** A job with all that the shop has and knows for it. */
final readonly class Question
{
    /**
     * @param list<JobOnPrinter>         $jobs     one; one for each printer where any will do; none without a printer
     * @param array<string, AgentStock>  $stock    by kind
     * @param list<array<string, mixed>> $profiles as they are shown, the most trusted first
     */
    public function __construct(
        public Catalogue $catalogue,
        public array $jobs,
        public array $stock,
        public Experience $experience,
        public array $profiles,
        public int $profileCount,
        public bool $anyPrinter,
    ) {
    }

    /** @return list<AgentFacts> */
    public function agents(): array
    {
        return array_values(array_map(static fn (AgentStock $stock): AgentFacts => $stock->facts(), $this->stock));
    }

    /** @param int|null $enough as for {@see Ranking::of} */
    public function ranking(?int $enough): Ranking
    {
        return Ranking::over($this->catalogue, $this->jobs, $this->agents(), $this->experience, $enough);
    }

    /** What a list named by this key; null: it is not there any more. */
    public function found(Ranking $ranking, string $key): Candidate|Rejection|null
    {
        foreach ([...$ranking->candidates, ...$ranking->rejections] as $each) {
            if (CandidateData::key($each->proposal, $this->anyPrinter) === $key) {
                return $each;
            }
        }

        return null;
    }
}
