<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\ChartLine;
use Symfony\Contracts\Service\ResetInterface;

/** The catalogue as this shop holds it true: ours, with the shop's own kinds in it and its own facts over it. */
final class ShopCatalogue implements ResetInterface
{
    private ?Catalogue $grown = null;
    private ?Catalogue $overlaid = null;

    public function __construct(
        private readonly Catalogue $shipped,
        private readonly CatalogueLoader $loader,
        private readonly EntityManagerInterface $entities,
    ) {
    }

    public function get(): Catalogue
    {
        $ours = $this->ours();

        return $this->overlaid ??= $ours->withOwnCoatPrints($this->coatLives())->with(array_map(
            static fn (StoredFact $fact) => $fact->fact($ours->material($fact->materialId)->filament),
            array_values(array_filter($this->standing(), static fn (StoredFact $fact): bool => isset($ours->materials[$fact->materialId]))),
        ));
    }

    /** What the catalogue and the makers of the shop's own kinds say, without the word of the shop. */
    public function ours(): Catalogue
    {
        return $this->grown ??= $this->shipped->withKinds(array_map(static fn (StoredKind $kind) => $kind->kind(), $this->kinds()));
    }

    /**
     * Whether a kind of the shop's own, new or changed, can stand beside all others.
     *
     * @throws Problem with the field and what to change
     */
    public function check(StoredKind $kind): void
    {
        $others = array_values(array_filter($this->kinds(), static fn (StoredKind $each): bool => !$each->id->equals($kind->id)));
        $lines = [];
        foreach ($kind->details['chart'] as $i => $line) {
            try {
                $lines[$i] = $kind->line($line);
            } catch (BadCatalogue $bad) {
                throw Problem::invalid("chart.$i.window", $bad->sentence);
            }
            foreach ($others as $other) {
                if (array_filter($other->chart(), $lines[$i]->sameWay(...))) {
                    throw Problem::invalid("chart.$i", \sprintf('The chart of %s has this line already: change it there.', $other->name));
                }
            }
        }
        $grown = $this->shipped->withKinds(array_map(static fn (StoredKind $each) => $each->kind(), $others));
        try {
            $grown = $grown->withKind($kind->kind());
        } catch (BadCatalogue $bad) {
            throw Problem::invalid('catalogue.named' === $bad->sentence->key ? 'name' : '', $bad->sentence);
        }
        uasort($lines, ChartLine::bareFirst(...));
        foreach ($lines as $i => $line) {
            try {
                $grown = $grown->withLine($line);
            } catch (BadCatalogue $bad) {
                throw Problem::invalid("chart.$i", $bad->sentence);
            }
        }
    }

    /**
     * What the catalogue shows of its entries, with the shop's own among them.
     *
     * @return array<string, mixed>
     */
    public function texts(): array
    {
        $rows = ['materials' => [], 'surfaces' => []];
        foreach ($this->kinds() as $stored) {
            $kind = $stored->kind();
            $rows[$kind->surface ? 'surfaces' : 'materials'][] = [...$kind->row, 'own' => true, 'retired' => $stored->retired];
        }

        return [...$this->loader->texts($rows), 'digest' => $this->ours()->digest];
    }

    /** @return list<StoredKind> */
    private function kinds(): array
    {
        return [
            ...$this->entities->getRepository(StoredSurface::class)->findBy([], ['createdAt' => 'ASC', 'id' => 'ASC']),
            ...$this->entities->getRepository(StoredMaterial::class)->findBy([], ['createdAt' => 'ASC', 'id' => 'ASC']),
        ];
    }

    /** @return array<string, array<string, int>> prints by agent and surface; a later test stands over an earlier one */
    private function coatLives(): array
    {
        $lives = [];
        foreach ($this->entities->getRepository(OwnCoatLife::class)->findBy(['withdrawnAt' => null], ['createdAt' => 'ASC', 'id' => 'ASC']) as $life) {
            $lives[$life->agentKindId][$life->surfaceId] = $life->prints;
        }

        return $lives;
    }

    /** @return list<StoredFact> oldest first, so that a later one stands over an earlier one */
    private function standing(): array
    {
        /* @var list<StoredFact> */
        return $this->entities->createQuery('SELECT f FROM '.StoredFact::class.' f WHERE f.withdrawnAt IS NULL ORDER BY f.createdAt, f.id')->getResult();
    }

    /** @return list<StoredFact> all that was ever held true of a pair, newest first */
    public function recordOf(string $materialId, string $surfaceId): array
    {
        /* @var list<StoredFact> */
        return $this->entities->createQuery('SELECT f FROM '
            .StoredFact::class
            .' f WHERE f.materialId = :m AND f.surfaceId = :s ORDER BY f.createdAt DESC, f.id DESC')
            ->setParameter('m', $materialId)->setParameter('s', $surfaceId)->getResult();
    }

    public function reset(): void
    {
        $this->grown = $this->overlaid = null;
    }
}
