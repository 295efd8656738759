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
        $this->signInAtTheDoor('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Run 14');
        $sheet = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        $this->until(fn (): bool => true === $this->page->executeAsyncScript(self::IS_KEPT, [$sheet]), 'The device does not keep the page.');
        $this->open($sheet);
        $this->see('Prepare the plate');
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

    private function server(string $do): void
    {
        $run = \dirname((string) getenv('SITZPLATZ_TEST_SOCKET'), 2);
        exec('supervisorctl -c '.escapeshellarg("$run/supervisor.conf")." $do web 2>&1", $said, $code);
        self::assertSame(0, $code, implode("\n", $said));
    }
}
