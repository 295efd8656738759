<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Problem;
use App\Platform\JsonFileCommand;
use App\Platform\Words\Wording;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Formats;
use Symfony\Component\Console\Attribute\AsCommand;

/** What a part's file says, as the API has it. */
#[AsCommand('sitzplatz:shape', 'Reads the contact patch of a part from STL, 3MF or G-code')]
final class ShapeCommand extends JsonFileCommand
{
    public function __construct(Wording $wording, private readonly Formats $formats)
    {
        parent::__construct($wording);
    }

    protected function answer(string $path): array
    {
        try {
            return PartReading::toArray(PartReading::file($path, formats: $this->formats));
        } catch (BadShape $bad) {
            throw Problem::invalid('', $bad->sentence);
        }
    }
}
