<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\Author;
use App\Account\Role;
use App\Account\SignIn;
use App\Account\User;
use App\Care\CareEvent;
use App\Catalogue\StoredFact;
use App\Catalogue\StoredMaterial;
use App\Device\Gauge;
use App\Device\Thermometer;
use App\Evidence\ChangeEvent;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\Plate;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SurfaceMeasurement;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Evidence\ChangeKind;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** The shelf of the demo, from demo/shop.yaml. */
final class DemoShop
{
    /** @var array<string, Printer> */
    public array $printers = [];
    /** @var array<string, PlateSide> */
    public array $sides = [];
    /** @var array<string, AgentStock> */
    public array $agents = [];
    /** @var array<string, Lot> */
    public array $lots = [];
    public ?Gauge $gauge = null;
    /** @var array<string, Author> by display name */
    public array $people = [];

    public function __construct(private readonly EntityManagerInterface $entities, private readonly UserPasswordHasherInterface $hasher)
    {
    }

    /** Where it was loaded before. */
    public function found(): void
    {
        foreach ($this->entities->getRepository(Printer::class)->findAll() as $printer) {
            $this->printers[$printer->name] = $printer;
        }
        foreach ($this->entities->getRepository(PlateSide::class)->findAll() as $side) {
            $this->sides[$side->label()] = $side;
        }
        foreach ($this->entities->getRepository(AgentStock::class)->findAll() as $agent) {
            $this->agents[$agent->name] = $agent;
        }
    }

    /** @param array<string, mixed> $data */
    public function load(array $data, \DateTimeImmutable $now): void
    {
        $long = $now->modify('-380 days');
        foreach ($data['printers'] as $p) {
            $this->printers[$p['name']] = $printer = new Printer(Uuid::v7(), $long);
            $printer->apply($p);
            $this->entities->persist($printer);
        }
        foreach ($data['plates'] as $p) {
            $this->plate($p, $long);
        }
        foreach ($data['agents'] as $a) {
            $this->agents[$a['name']] = $agent = new AgentStock(Uuid::v7(), $long);
            $agent->apply([...$a, 'openedOn' => $now->modify("-{$a['opened']} days")->format('Y-m-d')]);
            $this->entities->persist($agent);
        }
        $own = [];
        foreach ($data['ownMaterials'] as $m) {
            $own[$m['name']] = $material = new StoredMaterial(Uuid::v7(), $long);
            $material->apply($m, 'Mara');
            $this->entities->persist($material);
        }
        foreach ($data['lots'] as $l) {
            $this->lots[$l['label']] = $lot = new Lot(Uuid::v7(), $long);
            $lot->apply([
                'materialId' => isset($l['ownMaterial']) ? $own[$l['ownMaterial']]->kindId() : '',
                ...$l,
                'driedOn' => isset($l['dried']) ? $now->modify("-{$l['dried']} days")->format('Y-m-d') : null,
                'openedOn' => $now->modify("-{$l['opened']} days")->format('Y-m-d'),
            ]);
            $this->entities->persist($lot);
        }
        $this->users($data, $long);
        foreach ($data['thermometers'] as $t) {
            $thermometer = new Thermometer(Uuid::v7(), $long, true);
            $thermometer->apply([...$t, 'checkedOn' => $now->modify("-{$t['checked']} days")->format('Y-m-d')]);
            $this->entities->persist($thermometer);
        }
        foreach ($data['gauges'] as $g) {
            $this->gauge = new Gauge(Uuid::v7(), $long, true);
            $this->gauge->apply([...$g, 'checkedOn' => $now->modify("-{$g['checked']} days")->format('Y-m-d')]);
            $this->entities->persist($this->gauge);
        }
        foreach ($data['care'] as $c) {
            $agent = isset($c['agent']) ? $this->agents[$c['agent']] : null;
            $this->entities->persist(new CareEvent(
                Uuid::v7(),
                $now->modify("-{$c['days']} days"),
                $this->sides[$c['side']],
                $c['kind'],
                $agent,
                $this->people['Mara'],
                '',
            ));
        }
        foreach ($data['surfaceTemperatures'] as $m) {
            $this->entities->persist(new SurfaceMeasurement(
                Uuid::v7(),
                $now->modify("-{$m['days']} days"),
                $this->printers[$m['printer']],
                $this->sides[$m['side']]->current(),
                (float) $m['displayC'],
                (float) $m['surfaceC'],
                (float) $m['roomC'],
                'Mara',
            ));
        }
        foreach ($data['facts'] as $f) {
            $this->entities->persist(new StoredFact(
                Uuid::v7(),
                $now->modify("-{$f['days']} days"),
                $f['materialId'],
                $f['surfaceId'],
                $f['agentKindId'],
                $f['window'],
                null,
                AgentRole::from($f['role']),
                Grade::from($f['hold']),
                Grade::from($f['release']),
                $f['barrier'],
                $f['why'],
                'Tilo',
            ));
        }
        foreach ($data['changes'] as $c) {
            $this->entities->persist(new ChangeEvent(
                Uuid::v7(),
                $now->modify("-{$c['days']} days"),
                $this->printers[$c['printer']],
                ChangeKind::from($c['kind']),
                $this->people['Mara'],
                $c['note'],
            ));
        }
    }

    /** @param array<string, mixed> $data */
    private function users(array $data, \DateTimeImmutable $at): void
    {
        $bench = $data['bench'];
        foreach ($data['users'] as $u) {
            $user = new User(Uuid::v7(), $at, $u['name'], $u['displayName'], Role::from($u['role']));
            $user->passwordHash = $this->hasher->hashPassword($user, SignIn::DEMO_PASSWORD);
            $user->layOnBench([
                'printerId' => $this->printers[$bench['printer']]->id->toRfc4122(),
                'plateSideId' => $this->sides[$bench['side']]->id->toRfc4122(),
                'agentId' => null,
                'lotId' => $this->lots[$bench['lot']]->id->toRfc4122(),
                'roomC' => $bench['roomC'],
            ]);
            $this->entities->persist($user);
            $this->people[$user->displayName] = Author::of($user);
        }
    }

    /** @param array<string, mixed> $p */
    private function plate(array $p, \DateTimeImmutable $at): void
    {
        $plate = new Plate(Uuid::v7(), $at);
        $plate->printer = $this->printers[$p['printer']];
        $plate->apply([...$p, 'widthMm' => $p['size'][0], 'depthMm' => $p['size'][1], 'purchasedOn' => $at->format('Y-m-d')]);
        $this->entities->persist($plate);
        foreach (['front', 'back'] as $face) {
            if (isset($p[$face])) {
                $side = new PlateSide(Uuid::v7(), $at, $plate, $face);
                $side->fitting = $fitting = new Fitting(Uuid::v7(), $at, $side, $p[$face][0], $p[$face][1], null);
                $plate->sides->add($side);
                $this->entities->persist($side);
                $this->entities->persist($fitting);
                $this->sides[$side->label()] = $side;
            }
        }
    }
}
