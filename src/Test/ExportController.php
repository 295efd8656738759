<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\StoredEdit;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measures;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The readings of a comparison as a table, the same that is read in. */
final readonly class ExportController
{
    public function __construct(private StoredEdit $edit, private RunRepository $runs, private Measures $measures)
    {
    }

    #[Route('/api/comparisons/{id}/table', name: 'exportReadings', methods: ['GET'])]
    public function table(string $id): Response
    {
        $comparison = $this->edit->find(Comparison::class, $id);
        $rows = [];
        foreach ($this->runs->of($comparison) as $run) {
            foreach ($run->part()->standing as $standing) {
                $reading = $standing->reading->reading($this->measures);
                if (null !== $reading) {
                    $rows[] = ['setup' => $run->setup->label, 'run' => $run->position, 'reading' => $reading, 'void' => RunStatus::Void === $run->status];
                }
            }
        }

        return new Response(ReadingsCsv::write($rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="readings.csv"',
        ]);
    }
}
