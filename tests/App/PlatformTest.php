<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Account\SignInThrottle;
use App\Platform\Database\UtcType;
use App\Platform\Http\Problem;
use App\Platform\Http\ProblemListener;
use Doctrine\DBAL\Exception\NoActiveTransaction;
use Doctrine\DBAL\Platforms\MariaDBPlatform;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;

/** What every part of the application leans on. */
final class PlatformTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    public function testTimesAreStoredInUtcToTheMicrosecond(): void
    {
        $type = new UtcType();
        $platform = new MariaDBPlatform();
        $noon = new \DateTimeImmutable('2026-07-01 12:00:00.123456', new \DateTimeZone('+05:30'));
        self::assertSame('2026-07-01 06:30:00.123456', $type->convertToDatabaseValue($noon, $platform));
        $back = $type->convertToPHPValue('2026-07-01 06:30:00.123456', $platform);
        self::assertNotNull($back);
        self::assertSame($noon->format('U.u'), $back->format('U.u'));
        self::assertNull($type->convertToDatabaseValue(null, $platform));
        self::assertNull($type->convertToPHPValue(null, $platform));
        self::assertSame('DATETIME(6)', $type->getSQLDeclaration([], $platform));
    }

    /** Whoever noticed it, it is no fault of ours: the page waits and goes on. */
    public function testADatabaseThatIsStartingAgainIsSaidAsThat(): void
    {
        $listener = self::getContainer()->get(ProblemListener::class);
        self::assertInstanceOf(ProblemListener::class, $listener);
        $lost = new \PDOException('SQLSTATE[HY000]: General error: 2006 MySQL server has gone away');
        $lost->errorInfo = ['HY000', 2006, 'MySQL server has gone away'];
        $other = new \PDOException('Duplicate entry');
        $other->errorInfo = ['23000', 1062, 'Duplicate entry'];
        foreach ([
            [503, new \PDOException('Connection refused', 2002)],
            [503, new \RuntimeException('Not saved.', 0, $lost)],
            [503, NoActiveTransaction::new()],
            [500, $other],
            [500, new \RuntimeException('Ours.')],
        ] as [$status, $error]) {
            $event = new ExceptionEvent(self::createStub(HttpKernelInterface::class), Request::create('/api/overview'), HttpKernelInterface::MAIN_REQUEST, $error);
            $listener($event);
            self::assertSame($status, $event->getResponse()?->getStatusCode(), $error->getMessage());
        }
    }

    public function testAnAddressThatTriesManyNamesIsSlowed(): void
    {
        self::mockTime('2026-03-01 12:00:00');
        $throttle = self::getContainer()->get(SignInThrottle::class);
        self::assertInstanceOf(SignInThrottle::class, $throttle);
        for ($i = 0; $i < 19; ++$i) {
            $throttle->failed("name$i", '10.0.0.7');
        }
        $throttle->check('somebody', '10.0.0.7');
        $throttle->failed('name19', '10.0.0.7');
        $throttle->check('somebody', '10.0.0.8');
        $this->expectException(Problem::class);
        $this->expectExceptionMessage('Wait 2 seconds');
        $throttle->check('somebody', '10.0.0.7');
    }

    public function testTheWaitDoublesUpToTenMinutesAndOldFailuresAreForgotten(): void
    {
        $clock = self::mockTime('2026-03-01 12:00:00');
        $throttle = self::getContainer()->get(SignInThrottle::class);
        self::assertInstanceOf(SignInThrottle::class, $throttle);
        $waits = [];
        for ($i = 0; $i < 16; ++$i) {
            $throttle->failed('lead', '10.0.0.9');
            try {
                $throttle->check('lead', '10.0.0.9');
                $waits[] = 0;
            } catch (Problem $e) {
                $waits[] = (int) ($e->headers['Retry-After'] ?? -1);
            }
        }
        self::assertSame([0, 0, 0, 0, 2, 4, 8, 16, 32, 64, 128, 256, 512, 600, 600, 600], $waits);
        $throttle->check('lead', '10.0.0.1');
        $clock->sleep(15 * 60 + 1);
        $throttle->check('lead', '10.0.0.9');
    }

    public function testWhatGoesWrongInsideIsNotToldOutside(): void
    {
        $event = new ExceptionEvent(
            self::bootedKernel(),
            Request::create('/api/plates'),
            HttpKernelInterface::MAIN_REQUEST,
            new \RuntimeException('the secret path'),
        );
        $listener = self::getContainer()->get(ProblemListener::class);
        self::assertInstanceOf(ProblemListener::class, $listener);
        $listener($event);
        $response = $event->getResponse();
        self::assertNotNull($response);
        self::assertSame(500, $response->getStatusCode());
        self::assertStringNotContainsString('secret', (string) $response->getContent());
        $elsewhere = new ExceptionEvent(self::bootedKernel(), Request::create('/choose'), HttpKernelInterface::MAIN_REQUEST, new \RuntimeException('x'));
        $listener($elsewhere);
        self::assertNull($elsewhere->getResponse());
    }

    public function testAWashEndsACoatAndBothAreCountedFromTheirOwnTime(): void
    {
        $this->signIn('technician');
        $side = $this->side('P11 front');
        $row = fn (): array => array_values(array_filter(
            $this->ask('GET', '/api/care', null, 200)['sides'],
            static fn (array $s): bool => $s['plateSideId'] === $side,
        ))[0];
        $before = $row();
        self::assertSame(8, $before['printsSinceCoat']);
        self::assertSame('White stick', $before['coatAgent']);
        self::assertContains('Wash off and coat anew: 8 prints on this coat, which usually lasts 7.', $before['due']);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'note' => 'with soap'], 201);
        $washed = $row();
        self::assertSame([0, null, null, []], [$washed['printsSinceWash'], $washed['printsSinceCoat'], $washed['coatAgent'], $washed['due']]);
        self::assertSame($before['printsSinceFitting'], $washed['printsSinceFitting']);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'scuff', 'agentId' => null, 'note' => ''], 201);
        self::assertSame(0, $row()['printsSinceWash']);
    }

    private static function bootedKernel(): HttpKernelInterface
    {
        self::assertNotNull(self::$kernel);

        return self::$kernel;
    }
}
