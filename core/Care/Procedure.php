<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Words\CatalogueText;

/** How something is done at the bench, step by step, and what the record says afterwards. */
final readonly class Procedure
{
    /**
     * @param string              $kind     clean, coat, take_off, fit, first_use, mend or check
     * @param string|null         $cleaner  what it is done with
     * @param list<string>|null   $agents   kinds that it is for; null: it is of no agent
     * @param list<string>|null   $surfaces kinds that it is for; null: all
     * @param string              $effect   wash, wipe, scuff, coat, touch_up, new_sheet or none
     * @param list<CatalogueText> $tools
     * @param list<ProcedureStep> $steps
     */
    private function __construct(
        public string $id,
        public CatalogueText $title,
        public string $kind,
        public ?string $cleaner,
        public ?array $agents,
        private ?array $surfaces,
        public string $effect,
        public array $tools,
        public array $steps,
        /** Only for a plate that comes off its printer. */
        private bool $away = false,
    ) {
    }

    /**
     * @param array{
     *     id: string, title: string, kind: string, cleaner?: string, agents?: list<string>, surfaces?: list<string>, effect: string,
     *     tools: list<string>, steps: list<array{do: string, minutes?: int|float, caution?: string, fixed?: string}>, away?: bool,
     * } $row as the catalogue has it
     */
    public static function fromArray(array $row): self
    {
        $text = static fn (string $of, string $english): CatalogueText => new CatalogueText("procedure.{$row['id']}.$of", $english);
        $steps = [];
        foreach ($row['steps'] as $i => $step) {
            $steps[] = new ProcedureStep(
                $text("steps.$i.do", $step['do']),
                isset($step['minutes']) ? (float) $step['minutes'] : null,
                isset($step['caution']) ? $text("steps.$i.caution", $step['caution']) : null,
                isset($step['fixed']) ? $text("steps.$i.fixed", $step['fixed']) : null,
            );
        }

        return new self(
            $row['id'],
            $text('title', $row['title']),
            $row['kind'],
            $row['cleaner'] ?? null,
            $row['agents'] ?? null,
            $row['surfaces'] ?? null,
            $row['effect'],
            array_map(static fn (int $i, string $tool): CatalogueText => $text("tools.$i", $tool), array_keys($row['tools']), $row['tools']),
            $steps,
            $row['away'] ?? false,
        );
    }

    /**
     * Whether it is for a side as it is: its surface bears what is brought onto it and its coat the wipe that would be noted,
     * a coat goes on with what is on the shelf, and comes off, or is touched up, where it is on.
     *
     * @param Agent|null      $coat    that is on
     * @param PlateBuild|null $build   null: as its surface usually lies
     * @param list<Agent>     $onShelf
     */
    public function suits(Surface $surface, ?Agent $coat, array $onShelf, ?PlateBuild $build = null): bool
    {
        if ($this->away && false === $build?->comesOff) {
            return false;
        }
        if (null !== $this->surfaces && !\in_array($surface->id, $this->surfaces, true)) {
            return false;
        }
        if (null !== $this->cleaner && !('take_off' === $this->kind ? $surface->bears($this->cleaner) : \in_array($this->cleaner, $surface->cleaners, true))) {
            return false;
        }
        if ('wipe' === $this->effect && null !== CleanerFit::refusesWipe($coat)) {
            return false;
        }

        return match (true) {
            null === $this->agents => true,
            'coat' === $this->kind => [] !== array_filter(
                $onShelf,
                fn (Agent $agent): bool => $this->isOf($agent) && null === CleanerFit::refusesAgent($surface, $agent),
            ),
            default => null !== $coat && $this->isOf($coat),
        };
    }

    public function isOf(Agent $agent): bool
    {
        return \in_array($agent->id, $this->agents ?? [], true);
    }
}
