<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Contract\Contract;

/** What the server takes for a page is what the interface has one for; what the contract calls costly, all of one path is. */
final class PagesTest extends ApiTestCase
{
    public function testEveryPageOfTheInterfaceIsOneAndNothingElse(): void
    {
        $router = (string) file_get_contents(\dirname(__DIR__, 2).'/web/src/router.tsx');
        preg_match_all("~(?:at\\(|path: )'(/[^']*)'~", $router, $paths);
        self::assertGreaterThan(25, \count($paths[1]));
        foreach ([...$paths[1], '/trust'] as $path) {
            self::assertSame(200, $this->send('GET', str_replace('$id', '0195d8a0-0000-7000-8000-00000000beef', $path), null)->getStatusCode(), $path);
        }
        foreach (['/nothing', '/choosing', '/wp-login.php', '/.env', '/Choose'] as $path) {
            self::assertSame(404, $this->send('GET', $path, null)->getStatusCode(), $path);
        }
    }

    public function testWhatIsCostlyIsNamedInTheContract(): void
    {
        $contract = self::getContainer()->get(Contract::class);
        self::assertInstanceOf(Contract::class, $contract);
        foreach (['getPlanChances', 'choose', 'diagnose', 'readPart', 'addPhoto', 'getJudgement', 'getReport'] as $costly) {
            self::assertTrue($contract->isCostly($costly), $costly);
        }
        foreach (['getSession', 'getOverview', 'addReading', 'moveRun', 'listProfiles', 'shell', ''] as $other) {
            self::assertFalse($contract->isCostly($other), $other);
        }
    }
}
