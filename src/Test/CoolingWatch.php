<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\CoolingTrace;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\TemperatureSample;
use Symfony\Component\Uid\Uuid;

/** The thermometer on the plate of a run: what it shows, and what it showed at the moment when the part let go. */
final readonly class CoolingWatch
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private RunCommands $commands,
        private Now $now,
    ) {
    }

    /** The one that was begun last. */
    public function of(Run $run): ?Cooling
    {
        return $this->entities->getRepository(Cooling::class)->findOneBy(['run' => $run], ['createdAt' => 'DESC', 'id' => 'DESC']);
    }

    /** @return float|null °C; null: nothing is watched */
    public function showsNow(Run $run): ?float
    {
        $shows = RunStep::Cool->value === $run->step ? $this->database->fetchOne(
            "SELECT t.celsius FROM cooling g JOIN temperature_sample t ON t.cooling_id = g.id
             WHERE g.run_id = ? AND g.state = 'watching' ORDER BY t.milliseconds DESC LIMIT 1",
            [$run->id->toBinary()],
        ) : null;

        return is_numeric($shows) ? (float) $shows : null;
    }

    /** @return list<TemperatureSample> */
    public function samples(Cooling $cooling): array
    {
        $samples = [];
        foreach ($this->database->iterateNumeric(
            'SELECT milliseconds, celsius FROM temperature_sample WHERE cooling_id = ? ORDER BY milliseconds',
            [$cooling->id->toBinary()],
        ) as [$time, $celsius]) {
            $samples[] = new TemperatureSample((int) $time, (float) $celsius);
        }

        return $samples;
    }

    /**
     * Takes what it showed at the moment when the part let go as the reading of the run, and ends the watch.
     *
     * @param Uuid $key of the reading
     *
     * @throws Problem if it showed nothing then, or the run takes no reading
     */
    public function letGo(Cooling $cooling, \DateTimeImmutable $at, Uuid $key, Author $by): void
    {
        $celsius = null === $cooling->beganAt ? null : CoolingTrace::of($this->samples($cooling))
            ?->celsiusAt((int) round(1000 * ((float) $at->format('U.u') - (float) $cooling->beganAt->format('U.u'))));
        if (null === $celsius) {
            throw Problem::invalid('', 'The thermometer showed nothing at that moment. Type the reading in.', 409);
        }
        $this->commands->carryOut(
            $cooling->run->id->toRfc4122(),
            null,
            $by,
            ReadingSource::thermometer($key, $cooling->thermometerId, $cooling->simulated),
            static fn (RunState $run): array => RunLife::enter($run, new Reading(Measure::ReleaseTemperature, round($celsius, 1))),
        );
        $cooling->state = Cooling::ENDED;
    }

    /** Where a thermometer is watched while the gauge pulls, it has seen how warm the plate was when the part came off. */
    public function pulledOff(GaugeCapture $capture, int $milliseconds, Author $by): void
    {
        $cooling = $this->of($capture->run);
        if (null === $capture->beganAt || null === $cooling || Cooling::WATCHING !== $cooling->state || $this->stands($capture->run)) {
            return;
        }
        try {
            $this->letGo(
                $cooling,
                $capture->beganAt->modify(\sprintf('+%d milliseconds', $milliseconds)),
                Uuid::v5($capture->id, 'release'),
                $by,
            );
        } catch (Problem) {
            // The pull stands without it; the temperature can be typed.
        }
    }

    public function begins(Uuid $key, Run $run, Uuid $thermometerId, bool $simulated): Cooling
    {
        $cooling = new Cooling($key, $this->now->time(), $run, $thermometerId, $simulated);
        $last = $this->of($run);
        if (null !== $last && $last->goesOn()) {
            $last->state = Cooling::ENDED;
        }

        return $cooling;
    }

    private function stands(Run $run): bool
    {
        foreach ($run->part()->standing as $standing) {
            if (Measure::ReleaseTemperature->value === $standing->reading->measure) {
                return true;
            }
        }

        return false;
    }
}
