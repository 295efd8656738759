<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Psr\Clock\ClockInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\FileFacts;
use Sitzplatz\Choose\Request\Finish;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\Wishes;
use Sitzplatz\Words\Sentence;

/** What is to be printed, as a request that has passed the contract says it. */
final readonly class AskedJob
{
    public function __construct(private StoredEdit $edit, private ClockInterface $clock)
    {
    }

    /**
     * The same job on each printer.
     *
     * @param array<string, mixed>    $body
     * @param non-empty-list<Printer> $printers
     *
     * @return non-empty-list<JobRequest>
     */
    public function on(array $printers, Catalogue $catalogue, array $body): array
    {
        $lot = null === $body['lotId'] ? null : $this->edit->reference(Lot::class, $body['lotId'], 'lotId');
        if (null !== $lot && $lot->materialId !== $body['materialId']) {
            throw Problem::invalid('lotId', \sprintf('%s is a lot of another material: choose one that fits.', $lot->label));
        }
        $part = isset($body['part']) ? PartFacts::said($body['part']) : null;
        $foothold = isset($body['foothold']) ? new Foothold(FootholdKind::from($body['foothold']['kind']), (float) $body['foothold']['mm']) : null;
        $refusal = $foothold?->refusedBy($part);
        if (null !== $refusal) {
            throw Problem::invalid('foothold.kind', $refusal);
        }
        $benchSide = $body['benchSideId'] ?? null;
        $lying = null === $benchSide ? null : $this->edit->reference(PlateSide::class, $benchSide, 'benchSideId')->facts($catalogue);
        $dried = $lot?->driedDaysAgo($this->clock->now());

        return array_map(static fn (Printer $printer): JobRequest => new JobRequest(
            $catalogue->material($body['materialId']),
            $printer->facts($catalogue),
            (float) $body['roomC'],
            $body['lotId'],
            $body['partCount'],
            Number::orNull($body['widthMm'] ?? null),
            Number::orNull($body['depthMm'] ?? null),
            Number::orNull($body['jobMinutes'] ?? null),
            $part,
            $foothold,
            Number::orNull($body['bedC'] ?? null),
            Number::orNull($body['nozzleC'] ?? null),
            $dried,
            $lying,
            self::wishes($body['wishes'] ?? []),
            Number::orNull($body['gapMm'] ?? null),
            new FileFacts(
                Number::orNull($body['file']['bedC'] ?? null),
                Number::orNull($body['file']['nozzleC'] ?? null),
                Number::orNull($body['file']['bedLaterC'] ?? null),
            ),
            $lot?->labelBedC,
            also: self::also($catalogue, $body),
        ), $printers);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return list<Material> what else stands on the plate, each once
     */
    public static function also(Catalogue $catalogue, array $body): array
    {
        $also = [];
        foreach ($body['alsoMaterialIds'] ?? [] as $i => $id) {
            $material = $catalogue->materials[$id] ?? null;
            if (null === $material || !$material->filament || false === ($catalogue->materials[$body['materialId']] ?? null)?->filament) {
                throw Problem::invalid("alsoMaterialIds.$i", Sentence::of('plan.no_such_filament'));
            }
            if ($id !== $body['materialId']) {
                $also[$id] = $material;
            }
        }

        return array_values($also);
    }

    /** @param array<string, mixed> $wishes */
    private static function wishes(array $wishes): Wishes
    {
        return new Wishes(
            isset($wishes['finish']) ? Finish::from($wishes['finish']) : null,
            $wishes['exactHeight'] ?? false,
            $wishes['bareFirst'] ?? false,
            $wishes['lowEnergy'] ?? false,
            isset($wishes['order']) ? array_values(array_map(Criterion::from(...), $wishes['order'])) : null,
        );
    }
}
