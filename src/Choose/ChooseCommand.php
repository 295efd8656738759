<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Contract\Contract;
use App\Platform\Http\Problem;
use App\Platform\JsonFileCommand;
use App\Platform\Words\Wording;
use App\Shelf\Lot;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;

/** The ranking for a job, as the API has it; names may stand for keys. */
#[AsCommand('sitzplatz:choose', 'Ranks the shop\'s plates and agents for a request in JSON')]
final class ChooseCommand extends JsonFileCommand
{
    public function __construct(
        private readonly Contract $contract,
        private readonly Choosing $choosing,
        private readonly EntityManagerInterface $entities,
        private readonly PlateRepository $plates, Wording $wording)
    {
        parent::__construct($wording);
    }

    protected function answer(string $path): array
    {
        $body = json_decode((string) file_get_contents($path), true);
        if (!\is_array($body)) {
            throw Problem::invalid('', 'This is not readable as a JSON object.');
        }
        $body = $this->withKeys($body);

        return $this->choosing->answer($this->contract->read(json_encode((object) $body, \JSON_THROW_ON_ERROR), 'choose'))->data;
    }

    /**
     * @param array<mixed> $body
     *
     * @return array<mixed>
     */
    private function withKeys(array $body): array
    {
        if (isset($body['printer'])) {
            $body['printerId'] = $this->entities->getRepository(Printer::class)->findOneBy(['name' => $body['printer']])?->id->toRfc4122()
                ?? throw Problem::invalid('printer', 'There is no printer of this name on the shelf.');
        }
        if (isset($body['lot'])) {
            $body['lotId'] = $this->entities->getRepository(Lot::class)->findOneBy(['label' => $body['lot']])?->id->toRfc4122()
                ?? throw Problem::invalid('lot', 'There is no lot of this label on the shelf.');
        }
        foreach (isset($body['benchSide']) ? $this->plates->sidesOnShelf() : [] as $side) {
            if ($side->label === $body['benchSide']) {
                $body['benchSideId'] = $side->id;
            }
        }
        if (isset($body['benchSide']) && !isset($body['benchSideId'])) {
            throw Problem::invalid('benchSide', 'There is no plate side of this name on the shelf.');
        }
        unset($body['printer'], $body['lot'], $body['benchSide']);

        return ['lotId' => null, ...$body];
    }
}
