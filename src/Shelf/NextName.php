<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\KeyedPage;
use Doctrine\DBAL\Connection;

/** The number after the highest of its kind, retired ones among them: P7 and P12 give P13. */
final readonly class NextName
{
    private const COLUMNS = ['plate' => 'number', 'lot' => 'label'];

    public function __construct(private Connection $database)
    {
    }

    /**
     * @param 'plate'|'lot' $of
     * @param string        $like one of its kind; "" for the kind of the highest there is
     */
    public function after(string $of, string $like): string
    {
        $column = self::COLUMNS[$of];
        if ('' === $like) {
            $last = $this->database->fetchOne("SELECT $column FROM $of ORDER BY NATURAL_SORT_KEY($column) DESC LIMIT 1");
            $like = \is_string($last) ? $last : 'P0';
        }
        $stem = (string) preg_replace('/\d{1,9}$/', '', $like);
        $highest = 0;
        foreach ($this->database->fetchFirstColumn("SELECT $column FROM $of WHERE $column LIKE ? ESCAPE '!'", [
            KeyedPage::literal($stem).'%',
        ]) as $name) {
            $number = substr(\is_string($name) ? $name : '', \strlen($stem));
            if (1 === preg_match('/^\d{1,9}$/', $number)) {
                $highest = max($highest, (int) $number);
            }
        }

        return $stem.($highest + 1);
    }
}
