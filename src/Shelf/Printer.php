<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\Magnets;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\ProbeKind;

/** A printer of the shop. */
#[ORM\Entity]
class Printer extends VersionedRow implements ShelfItem
{
    public const FILAMENT = 'filament';
    public const RESIN = 'resin';

    #[ORM\Column(length: 80, unique: true)]
    public string $name;

    #[ORM\Column(length: 20)]
    public string $kind;

    #[ORM\Column]
    public float $bedWidthMm;

    #[ORM\Column]
    public float $bedDepthMm;

    #[ORM\Column(nullable: true)]
    public ?float $maxBedC;

    #[ORM\Column]
    public float $maxNozzleC;

    #[ORM\Column(name: 'has_enclosure')]
    public bool $enclosed;

    #[ORM\Column(nullable: true)]
    public ?float $magnetLimitC;

    /** What the shop's own soak test showed the magnets to stand. */
    #[ORM\Column(nullable: true)]
    public ?float $magnetSoakC = null;

    /** @var list<float> pulled at a corner of a plate before the soak test, N */
    #[ORM\Column(name: 'magnet_before_n', type: 'json', options: ['default' => '[]'])]
    public array $magnetBeforeN = [];

    /** @var list<float> the same after it */
    #[ORM\Column(name: 'magnet_after_n', type: 'json', options: ['default' => '[]'])]
    public array $magnetAfterN = [];

    /** How hard it accelerates the bed, mm/s². */
    #[ORM\Column(name: 'bed_accel_mm_s2', nullable: true)]
    public ?float $bedAccelMmS2 = null;

    /** By its letters; "" if not known. */
    #[ORM\Column(length: 20)]
    public string $magnetGrade = '';

    /** How plates are held down. */
    #[ORM\Column(length: 60)]
    public string $holdDown = '';

    #[ORM\Column(nullable: true)]
    public ?float $plateHoldsToMmS = null;

    #[ORM\Column(nullable: true)]
    public ?float $chamberC = null;

    #[ORM\Column(nullable: true)]
    public ?float $chamberW = null;

    /** From a cold start, as timed here. */
    #[ORM\Column(nullable: true)]
    public ?float $chamberMinutes = null;

    #[ORM\Column(nullable: true)]
    public ?float $heaterW = null;

    #[ORM\Column(nullable: true)]
    public ?float $heaterV = null;

    #[ORM\Column(nullable: true)]
    public ?float $limitA = null;

    #[ORM\Column(length: 20)]
    public ProbeKind $probe = ProbeKind::Touch;

    #[ORM\Column(nullable: true)]
    public ?float $probeRangeMm = null;

    #[ORM\Column(nullable: true)]
    public ?float $zTravelBelowMm = null;

    #[ORM\Column(nullable: true)]
    public ?float $usualPlateMm = null;

    #[ORM\Column]
    public bool $bedMoves = false;

    #[ORM\Column]
    public bool $looksForMark = false;

    #[ORM\Column]
    public float $displayReadsHighK = 0.0;

    /** @var list<array{of: string, mm: float, contactM2KW?: float|null}> from the heater upwards */
    #[ORM\Column(type: 'json')]
    public array $bedLayers = [];

    /** @var list<string> of {@see HoldDown}; what it holds plates with */
    #[ORM\Column(type: 'json')]
    public array $holds = [];

    #[ORM\Column(nullable: true)]
    public ?float $clipsOpenMm = null;

    /** What the nozzle reaches; null: all of the seat. */
    #[ORM\Column(nullable: true)]
    public ?float $printWidthMm = null;

    #[ORM\Column(nullable: true)]
    public ?float $printDepthMm = null;

    #[ORM\Column]
    public bool $bedRound = false;

    #[ORM\Column(name: 'heater_area_cm2', nullable: true)]
    public ?float $heaterAreaCm2 = null;

    #[ORM\Column]
    public bool $boardHeater = false;

    #[ORM\Column]
    public bool $retired = false;

    public function apply(array $body): void
    {
        $this->name = $body['name'];
        $this->kind = $body['kind'];
        $this->bedWidthMm = (float) $body['bedWidthMm'];
        $this->bedDepthMm = (float) $body['bedDepthMm'];
        $this->maxBedC = Number::orNull($body['maxBedC']);
        $this->maxNozzleC = (float) $body['maxNozzleC'];
        $this->enclosed = $body['enclosed'];
        $this->magnetLimitC = Number::orNull($body['magnetLimitC']);
        $this->magnetSoakC = Number::orNull($body['magnetSoakC'] ?? null);
        $this->magnetBeforeN = array_values(array_map(floatval(...), $body['magnetBeforeN'] ?? []));
        $this->magnetAfterN = array_values(array_map(floatval(...), $body['magnetAfterN'] ?? []));
        $this->bedAccelMmS2 = Number::orNull($body['bedAccelMmS2'] ?? null);
        $this->magnetGrade = $body['magnetGrade'] ?? '';
        $this->holdDown = $body['holdDown'] ?? '';
        $this->plateHoldsToMmS = Number::orNull($body['plateHoldsToMmS'] ?? null);
        $this->chamberC = Number::orNull($body['chamberC'] ?? null);
        $this->chamberW = Number::orNull($body['chamberW'] ?? null);
        $this->chamberMinutes = Number::orNull($body['chamberMinutes'] ?? null);
        $this->heaterW = Number::orNull($body['heaterW'] ?? null);
        $this->heaterV = Number::orNull($body['heaterV'] ?? null);
        $this->limitA = Number::orNull($body['limitA'] ?? null);
        $this->probe = ProbeKind::from($body['probe'] ?? ProbeKind::Touch->value);
        $this->probeRangeMm = Number::orNull($body['probeRangeMm'] ?? null);
        $this->zTravelBelowMm = Number::orNull($body['zTravelBelowMm'] ?? null);
        $this->usualPlateMm = Number::orNull($body['usualPlateMm'] ?? null);
        $this->bedMoves = $body['bedMoves'] ?? false;
        $this->looksForMark = $body['looksForMark'] ?? false;
        $this->displayReadsHighK = (float) ($body['displayReadsHighK'] ?? 0);
        $this->bedLayers = $body['bedLayers'] ?? [];
        $this->holds = $body['holds'] ?? [];
        $this->clipsOpenMm = Number::orNull($body['clipsOpenMm'] ?? null);
        $this->printWidthMm = Number::orNull($body['printWidthMm'] ?? null);
        $this->printDepthMm = Number::orNull($body['printDepthMm'] ?? null);
        $this->bedRound = $body['bedRound'] ?? false;
        $this->heaterAreaCm2 = Number::orNull($body['heaterAreaCm2'] ?? null);
        $this->boardHeater = $body['boardHeater'] ?? false;
        $this->retired = $body['retired'] ?? false;
    }

    public function magnets(): Magnets
    {
        return new Magnets($this->magnetGrade, $this->magnetLimitC, $this->magnetSoakC, $this->magnetBeforeN, $this->magnetAfterN);
    }

    public function facts(Catalogue $catalogue): PrinterFacts
    {
        $magnets = $this->magnets();

        return new PrinterFacts(
            $this->id->toRfc4122(),
            $this->name,
            self::FILAMENT === $this->kind,
            $this->bedWidthMm,
            $this->bedDepthMm,
            $this->maxBedC,
            $this->maxNozzleC,
            $this->enclosed,
            $magnets->ratedC(),
            $this->magnetSoakC,
            $this->chamberC,
            $this->heaterW,
            $this->heaterV,
            $this->limitA,
            $this->probe,
            $this->probeRangeMm,
            $this->zTravelBelowMm,
            $this->usualPlateMm,
            $this->bedMoves,
            $this->plateHoldsToMmS,
            $this->looksForMark,
            $this->displayReadsHighK,
            StoredLayers::read($this->bedLayers, $catalogue),
            array_map(HoldDown::from(...), $this->holds),
            $this->clipsOpenMm,
            $this->printWidthMm,
            $this->printDepthMm,
            $this->bedRound,
            $this->heaterAreaCm2,
            $this->boardHeater,
            $this->chamberW,
            $this->chamberMinutes,
            $magnets->holdsN(),
            $this->bedAccelMmS2,
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'kind' => $this->kind,
            'bedWidthMm' => $this->bedWidthMm,
            'bedDepthMm' => $this->bedDepthMm,
            'maxBedC' => $this->maxBedC,
            'maxNozzleC' => $this->maxNozzleC,
            'enclosed' => $this->enclosed,
            'magnetLimitC' => $this->magnetLimitC,
            'magnetSoakC' => $this->magnetSoakC,
            'magnetGrade' => $this->magnetGrade,
            'magnetBeforeN' => $this->magnetBeforeN,
            'magnetAfterN' => $this->magnetAfterN,
            'bedAccelMmS2' => $this->bedAccelMmS2,
            'holdDown' => $this->holdDown,
            'plateHoldsToMmS' => $this->plateHoldsToMmS,
            'chamberC' => $this->chamberC,
            'chamberW' => $this->chamberW,
            'chamberMinutes' => $this->chamberMinutes,
            'heaterW' => $this->heaterW,
            'heaterV' => $this->heaterV,
            'limitA' => $this->limitA,
            'probe' => $this->probe->value,
            'probeRangeMm' => $this->probeRangeMm,
            'zTravelBelowMm' => $this->zTravelBelowMm,
            'usualPlateMm' => $this->usualPlateMm,
            'bedMoves' => $this->bedMoves,
            'looksForMark' => $this->looksForMark,
            'displayReadsHighK' => $this->displayReadsHighK,
            'bedLayers' => $this->bedLayers,
            'holds' => $this->holds,
            'clipsOpenMm' => $this->clipsOpenMm,
            'printWidthMm' => $this->printWidthMm,
            'printDepthMm' => $this->printDepthMm,
            'bedRound' => $this->bedRound,
            'heaterAreaCm2' => $this->heaterAreaCm2,
            'boardHeater' => $this->boardHeater,
            'retired' => $this->retired,
        ];
    }
}
