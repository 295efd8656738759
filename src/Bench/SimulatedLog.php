<?php

declare(strict_types=1);

namespace App\Bench;

use Sitzplatz\Evidence\Learned\Success;

/**
 * Logs of shops whose truths are not the model's: what holds does so by the normal law (probit), grades differ from their pairs by nature, and
 * each kind of shop has something that nobody is told. Prints go mostly where the shop's own counts say that it goes well.
 */
final readonly class SimulatedLog
{
    /** What is true: a third of the grades are wrong; lots and printers between changes differ much; nothing differs but the job; sheets wear out. */
    public const TRUTHS = ['wrong_grades', 'lots_and_epochs', 'nothing', 'wear'];
    private const HEAD = [
        'shop', 't', 'material', 'surface', 'agent', 'side', 'sheet', 'printer', 'epoch', 'lot', 'kind', 'grade', 'x_job', 'parts', 'minutes',
        'held', 'released', 'release_grade', 'true',
    ];

    /** @param list<array{list<string>, float, float}> $rows cells, and the chances that each truly has to hold and to come off clean */
    private function __construct(private array $rows)
    {
    }

    public static function of(string $truth, int $seed, int $shops, int $prints): self
    {
        $rows = [];
        for ($shop = 1; $shop <= $shops; ++$shop) {
            array_push($rows, ...(new SimulatedPrints($truth, 1_000 * $seed + $shop))->of((string) $shop, $prints));
        }

        return new self($rows);
    }

    /** @return list<string> lines of a table, its head first */
    public function table(): array
    {
        return array_map(static fn (array $cells): string => implode(',', $cells), [self::HEAD, ...array_column($this->rows, 0)]);
    }

    /** @return list<float> */
    public function true(Success $of): array
    {
        return array_column($this->rows, Success::Held === $of ? 1 : 2);
    }

    /** @return non-empty-list<int> places of those after the first of each shop */
    public function later(int $first): array
    {
        $later = array_keys(array_filter($this->rows, static fn (array $row): bool => (int) $row[0][1] > $first));

        return [] === $later ? throw new \LogicException('Nothing is left: let each shop print more.') : $later;
    }
}
