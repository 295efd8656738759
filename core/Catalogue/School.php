<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** A question on which practitioners disagree, with our default. */
final readonly class School
{
    /**
     * @param list<CatalogueText> $schools
     * @param list<string>        $materialIds empty: all
     * @param list<string>        $surfaceIds  empty: all
     * @param list<string>        $agentIds    empty: all
     */
    public function __construct(
        public string $id,
        public CatalogueText $question,
        public array $schools,
        public CatalogueText $default,
        public CatalogueText $why,
        public array $materialIds,
        public array $surfaceIds,
        public array $agentIds,
    ) {
    }

    /** Whether it bears on this pair with any of these agents; a question that touches everything is left to the page of questions. */
    public function touches(string $materialId, string $surfaceId, string ...$agentIds): bool
    {
        $named = [] !== $this->materialIds || [] !== $this->surfaceIds || [] !== $this->agentIds;

        return $named
            && ([] === $this->materialIds || \in_array($materialId, $this->materialIds, true))
            && ([] === $this->surfaceIds || \in_array($surfaceId, $this->surfaceIds, true))
            && ([] === $this->agentIds || [] !== array_intersect($agentIds, $this->agentIds));
    }
}
