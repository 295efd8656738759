<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** What somebody sees of the house that the app lives in: it is out of reach and comes back, a session is ended elsewhere. */
final class HouseScreensTest extends BrowserTestCase
{
    public function testAServerOutOfReachIsSaidAndThePageGoesOnByItself(): void
    {
        $this->signInAtTheDoor('technician');
        $this->open('/shelf');
        $this->press('New plate');
        foreach (['Number' => 'H-77', 'Belongs to' => 'North bay', 'Width, mm' => '250', 'Depth, mm' => '210', 'Surface, front' => 'smooth PEI', 'Sheet or lot' => 'board 7'] as $label => $value) {
            $this->fill($label, $value);
        }
        $this->network(false);
        $this->press('Save');
        $this->see('Reconnecting. What you typed is kept.');
        self::assertSame('H-77', $this->field('Number')->getAttribute('value'));
        $this->network(true);
        $this->until(fn (): bool => !str_contains($this->text(), 'Reconnecting'), 'It is back and the page does not know.');
        $this->press('Save');
        $this->until(fn (): bool => [] === $this->page->findElements(WebDriverBy::cssSelector('[role=dialog]')), 'It was not saved.');
        $this->see('H-77');
    }

    public function testWhereOneIsSignedInIsSeenAndEndedAndThatDeviceStandsAtTheDoor(): void
    {
        $this->signInAtTheDoor('technician');
        $here = $this->page->manage()->getCookies();
        $this->page->manage()->deleteAllCookies();
        $this->signInAtTheDoor('technician');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Where you are signed in"]');
        $this->see('this one');
        $this->assertAccessible('the list of sessions');
        $this->press('End it');
        $this->until(fn (): bool => !str_contains($this->text(), 'End it'), 'It was not ended.');
        $this->page->manage()->deleteAllCookies();
        foreach ($here as $cookie) {
            $this->page->manage()->addCookie($cookie);
        }
        $this->open('/shelf');
        $this->see('Look around as');
    }

    public function testAWrongTouchIsTakenBack(): void
    {
        $this->signInAtTheDoor('technician');
        $this->open('/shelf');
        $this->click('//tr[.//th[starts-with(., "P13")]]//button[.="Change"]');
        $this->click('//*[@role="dialog"]//*[@role="checkbox"][following-sibling::label[.="Retired"]]');
        $this->press('Save');
        $this->see('P13 is retired.');
        $this->until(fn (): bool => !str_contains($this->text(), 'thick polymer composite'), 'It is still on the shelf.');
        $this->assertAccessible('the way back');
        $this->press('Undo');
        $this->see('thick polymer composite');
        $this->until(fn (): bool => !str_contains($this->text(), 'P13 is retired.'), 'The way back is still offered.');
    }

    /** The web server itself is stopped: what is blocked in a page alone, its worker would still reach. */
    public function testAReloadWithoutNetworkStillOpensTheRunAndWhatIsTouchedThenArrives(): void
    {
        $this->openKeptRun();
        $this->server('stop');
        try {
            $this->page->navigate()->refresh();
            $this->see('Prepare the plate');
            $this->see('Reconnecting');
            $this->press('Done. Heat and soak');
            $this->see('One entry waits for the server');
            $this->page->navigate()->refresh();
            $this->see('One entry waits for the server');
        } finally {
            $this->server('start');
        }
        $this->until(fn (): bool => !str_contains($this->text(), 'Reconnecting') && !str_contains($this->text(), 'for the server'), 'It is back and the page does not go on.');
        $this->see('to soak');
    }

    /** It is neither there nor gone: nobody answers, and nobody refuses. What the device keeps is shown after two seconds. */
    public function testWhereTheNetworkHangsWhatIsKeptIsShownAndReplacedWhenItAnswers(): void
    {
        $this->openKeptRun();
        $this->hang('STOP');
        try {
            $this->page->navigate()->refresh();
            $this->see('Prepare the plate');
            $this->see('Reconnecting');
        } finally {
            $this->hang('CONT');
        }
        $this->until(fn (): bool => !str_contains($this->text(), 'Reconnecting'), 'It answers and the page does not know.');
        $this->press('Done. Heat and soak');
        $this->see('to soak');
    }

    /** A clock eight hours ahead made the timer ready at once. */
    public function testAClockThatIsWrongOrJumpsMakesNoPlateWarm(): void
    {
        $added = $this->command('Page.addScriptToEvaluateOnNewDocument', ['source' => 'window.ahead = 8 * 3600e3; { const Right = Date; window.Date = class extends Right { constructor(...of) { of.length ? super(...of) : super(Right.now() + window.ahead); } static now() { return Right.now() + window.ahead; } }; }']);
        try {
            $sheet = $this->openKeptRun();
            $this->page->navigate()->refresh();
            $this->press('Done. Heat and soak');
            $this->see('to soak');
            $this->until(fn (): bool => 'heat_and_soak' === $this->stepOf($sheet), 'It did not arrive.');
            self::assertStringNotContainsString('has jumped', $this->text(), 'It is wrong, and goes on evenly.');
            $this->page->executeScript('window.ahead = 0;');
            $this->see('has jumped');
            $this->see('to soak');
            self::assertStringNotContainsString('soaked: go on', $this->text());
        } finally {
            $this->command('Page.removeScriptToEvaluateOnNewDocument', ['identifier' => $added['identifier']]);
        }
    }

    public function testWhoSignsOutWithoutNetworkIsOutAndTheServerHearsOfItBeforeAllElse(): void
    {
        $sheet = $this->openKeptRun();
        $this->server('stop');
        try {
            $this->press('Done. Heat and soak');
            $this->see('One entry waits');
            // The menu was never opened here: it was kept with all the rest.
            $this->click('//button[contains(., "Mara")]');
            $this->click('//*[@role="menuitem"][.="Sign out"]');
            $this->click('//*[@role="dialog"]//button[.="Sign out"]');
            $this->see('Nothing is shown on this device any more');
            $this->page->navigate()->refresh();
            $this->see('Nothing is shown on this device any more');
            self::assertStringNotContainsString('Mara', $this->page->getPageSource());
            self::assertSame('sealed', $this->page->executeAsyncScript(self::WAITS), 'What waits is read by nobody else.');
        } finally {
            $this->server('start');
        }
        $this->see('Look around as');
        $this->press('lead');
        $this->see('Good day, Tilo');
        self::assertSame('prepare', $this->stepOf($sheet));
        $this->click('//button[contains(., "Tilo")]');
        $this->click('//*[@role="menuitem"][.="Sign out"]');
        $this->see('Look around as');
        $this->press('technician');
        $this->see('Good day, Mara');
        $this->until(fn (): bool => 'heat_and_soak' === $this->stepOf($sheet), 'What waited did not arrive.');
    }

    /** Of the run, as the server has it. */
    private function stepOf(string $sheet): string
    {
        return (string) $this->page->executeAsyncScript('const [path, done] = arguments; fetch("/api" + path).then((answer) => answer.json()).then((sheet) => done(sheet.run.step), () => done(""));', [$sheet]);
    }

    /** The first press on something that was never loaded, without network, replaced the whole page for good. */
    public function testAPartThatCannotBeLoadedIsANoticeInItsPlaceAndIsTriedAgain(): void
    {
        $this->signInAtTheDoor('technician');
        $this->page->executeAsyncScript('const [done] = arguments; navigator.serviceWorker.getRegistrations().then((all) => Promise.all(all.map((each) => each.unregister()))).then(() => caches.delete("sitzplatz.build")).then(done, done);');
        $this->blocked('*/BenchPanel*');
        $this->open('/shelf');
        $this->see('P13');
        $this->click('//button[@aria-label="The bench: change what lies on it"]');
        $this->see('this part was not loaded yet');
        $this->see('P13');
        $this->assertAccessible('a part that is missing');
        $this->blocked();
        $this->press('Try again');
        $this->until(fn (): bool => !str_contains($this->text(), 'this part was not loaded yet'), 'It is not tried again.');
        $this->see('P13');
    }

    public function testWhoSignsOutLeavesNothingToSeeOnTheDevice(): void
    {
        $this->signInAtTheDoor('technician');
        $this->until(fn (): bool => true === $this->page->executeAsyncScript(self::IS_KEPT, ['/']), 'The device does not keep the page.');
        $this->open('/shelf');
        $this->see('P13');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Sign out"]');
        $this->see('Look around as');
        self::assertSame([], $this->page->executeAsyncScript('const done = arguments[0]; caches.open("sitzplatz.answers").then((cache) => cache.keys()).then((keys) => done(keys.map((each) => new URL(each.url).pathname).filter((path) => path !== "/api/session" && path !== "/api/network")));'));
    }

    public function testWhatIsUnderWayWhenSomebodySignsOutIsNotKept(): void
    {
        $this->signIn('technician');
        $this->until(fn (): bool => true === $this->page->executeAsyncScript(self::IS_KEPT, ['/']), 'The device does not keep the page.');
        // What was asked for after it is kept when this is. Asked for so, it is not what the page asks for by itself.
        self::assertSame([false, false, true], $this->page->executeAsyncScript(<<<'JS'
            const [done] = arguments;
            const isKept = async (path) => (await caches.match(path, { cacheName: 'sitzplatz.answers' })) !== undefined;
            (async () => {
                await Promise.all([fetch('/api/terms?before'), fetch('/api/session', { method: 'DELETE' }), fetch('/api/terms?meanwhile')]);
                for (let i = 0; i < 100 && !(await isKept('/api/usual')); i += 1) await (await fetch('/api/usual')).text();
                return [await isKept('/api/terms?before'), await isKept('/api/terms?meanwhile'), await isKept('/api/usual')];
            })().then(done, (error) => done(String(error)));
            JS));
    }

    public function testTheOldestOfWhatIsKeptMakesRoom(): void
    {
        $this->signIn('technician');
        $this->until(fn (): bool => true === $this->page->executeAsyncScript(self::IS_KEPT, ['/']), 'The device does not keep the page.');
        $this->page->executeAsyncScript(<<<'JS'
            const [done] = arguments;
            caches.open('sitzplatz.answers').then(async (cache) => {
                for (let i = 0; i < 230; i += 1) await cache.put(`/api/runs/${i}`, new Response('{}'));
            }).then(done, done);
            JS);
        $this->open('/care');
        $kept = '[...await (await caches.open("sitzplatz.answers")).keys()].map((each) => new URL(each.url).pathname)';
        $this->until(fn (): bool => [false, true] === $this->page->executeAsyncScript(
            "const [done] = arguments; (async () => { const kept = $kept; return [kept.includes('/api/runs/20'), kept.includes('/api/runs/229')]; })().then(done, done)",
        ), 'What is too much stays on the device.');
    }

    /** Whether the worker is in charge, and has the page. */
    private const IS_KEPT = <<<'JS'
        const [path, done] = arguments;
        (async () => navigator.serviceWorker.controller !== null && (await (await caches.open('sitzplatz.shell')).match('/')) !== undefined && path !== '')().then(done, () => done(false));
        JS;

    /** @return string the address of a run sheet that is open, and that the device keeps */
    private function openKeptRun(): string
    {
        $this->signInAtTheDoor('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Run 14');
        $sheet = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        $this->until(fn (): bool => true === $this->page->executeAsyncScript(self::IS_KEPT, [$sheet]), 'The device does not keep the page.');
        $this->open($sheet);
        $this->see('Prepare the plate');

        return $sheet;
    }

    /** What is kept of entries that wait, in its own words or sealed. */
    private const WAITS = <<<'JS'
        const [done] = arguments;
        const asked = indexedDB.open('keyval-store');
        asked.onsuccess = () => {
            const all = asked.result.transaction('keyval').objectStore('keyval').getAll();
            all.onsuccess = () => done(all.result.map((each) => ('sealed' in each ? 'sealed' : JSON.stringify(each))).join());
        };
        asked.onerror = () => done('nothing');
        JS;

    /** The web server, its workers too, answers nobody from now on, or goes on. */
    private function hang(string $signal): void
    {
        $place = \dirname((string) getenv('SITZPLATZ_TEST_SOCKET'), 2).'/own/web';
        foreach (glob('/proc/[0-9]*/fd/8') ?: [] as $link) {
            if (@readlink($link) === $place) {
                posix_kill((int) explode('/', $link)[2], 'STOP' === $signal ? \SIGSTOP : \SIGCONT);
            }
        }
    }

    private function server(string $do): void
    {
        $run = \dirname((string) getenv('SITZPLATZ_TEST_SOCKET'), 2);
        exec('supervisorctl -c '.escapeshellarg("$run/supervisor.conf")." $do web 2>&1", $said, $code);
        self::assertSame(0, $code, implode("\n", $said));
    }
}
