<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

/** What is entered is never lost: where two work on one thing, where the network is gone, and where somebody else signs in. */
final class DraftScreensTest extends BrowserTestCase
{
    public function testAStaleEditShowsBothVersionsAndLosesNothing(): void
    {
        $this->signIn('technician', '/shelf');
        $this->click('//*[@role="tab"][.="Lots"]');
        $this->press('Change L-102');
        $this->fill('Note', 'mine');
        // Somebody else is faster.
        $this->page->executeAsyncScript(
            'const done = arguments[0]; (async () => { const s = await (await fetch("/api/session")).json(); const lots = await (await fetch("/api/lots")).json();'
            .'const {id, ...lot} = lots.find((l) => l.label === "L-102"); await fetch("/api/lots/" + id, {method: "PUT", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify({...lot, note: "theirs"})}); done(1); })()',
        );
        $this->press('Save');
        $this->see('Somebody changed this meanwhile.');
        $this->see('Note');
        $this->see('theirs');
        self::assertStringNotContainsString('"theirs"', $this->text(), 'Words, and no code.');
        $this->press('Keep mine and save');
        $this->see('mine');
        self::assertStringNotContainsString('theirs', $this->text());
    }

    public function testAPlanIsSavedOnTheVersionThatItsDraftBeganWith(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Start the planned comparison")]');
        $this->press('Change the plan');
        $this->press('What a setup has to reach');
        $this->fill('Runs per setup', '6');
        // Somebody else changes the question; this page fetches it, as it does of itself now and then.
        $this->page->executeAsyncScript(
            'const done = arguments[0]; (async () => { const s = await (await fetch("/api/session")).json(); const id = location.pathname.split("/")[2]; const c = await (await fetch("/api/comparisons/" + id)).json();'
            .'const {version, title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed} = c; const setups = c.setups.map(({plateSideId, agentId, bedFirstC, bedOtherC}) => ({plateSideId, agentId, bedFirstC, bedOtherC, unheated: bedFirstC === null}));'
            .'const r = await fetch("/api/comparisons/" + id, {method: "PUT", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify({version, title: "Does the thin coat help?", lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups})}); done(r.status); })()',
        );
        $this->page->executeScript('document.dispatchEvent(new Event("visibilitychange")); window.dispatchEvent(new Event("focus"))');
        $this->press('Save the plan');
        $this->see('Somebody changed this meanwhile');
        $this->see('What it is called');
        $this->see('Does the thin coat help?');
        $this->press('Keep mine and save');
        $this->see('The order, as it would be');
        self::assertStringNotContainsString('Does the thin coat help?', $this->text());
    }

    public function testAnEntryMadeWithoutNetworkIsKeptAndSent(): void
    {
        $this->coolingRun();
        // What is sent at once is not spoken of: the page would jump under the thumb.
        $this->page->executeScript(
            'window.spoken = false; addEventListener("click", () => { window.touched = performance.now(); }, true);'
            .'new MutationObserver(() => { window.spoken ||= performance.now() - window.touched < 1000 && document.body.innerText.includes("for the server"); })'
            .'.observe(document.body, {childList: true, subtree: true})',
        );
        $this->press('Back one step');
        $this->untilOnTheServer('first_layer');
        $this->press('Done. Cool');
        $this->untilOnTheServer('cool');
        self::assertFalse($this->page->executeScript('return window.spoken'));
        // The step that came is where one goes on.
        self::assertSame('H2', $this->page->executeScript('return document.activeElement.tagName'));
        $this->network(false);
        $this->fill('Came off at, °C', '33');
        $this->press('Note it');
        $this->see('for the server');
        $this->network(true);
        $this->see('Came off at: 33 °C');
        $this->until(fn (): bool => !str_contains($this->text(), 'for the server'), 'The entry was not sent.');
        $this->press('Void this run');
        $this->fill('What spoiled it', 'Network drill.');
        $this->press('Void it');
        $this->see('Somebody else has to declare it void.');
    }

    public function testAnEntryWaitsForAServerThatHasATrouble(): void
    {
        // Tables are only altered while nobody is at them.
        $this->database("CREATE TABLE IF NOT EXISTS no_room (x INT)// TRUNCATE TABLE no_room// CREATE OR REPLACE TRIGGER no_room BEFORE INSERT ON reading FOR EACH ROW
            IF EXISTS (SELECT 1 FROM no_room) THEN SIGNAL SQLSTATE '45000'; END IF");
        $this->coolingRun();
        $this->database('INSERT INTO no_room VALUES (1)');
        $this->fill('Came off at, °C', '33');
        $this->press('Note it');
        $this->see('One entry waits');
        self::assertStringNotContainsString('was not taken', $this->text(), 'It is no fault of the entry.');
        $this->database('DELETE FROM no_room');
        $this->see('Came off at: 33 °C');
        $this->until(fn (): bool => !str_contains($this->text(), 'One entry waits'), 'The entry was not sent.');
    }

    public function testWhatIsTouchedWithoutNetworkIsKeptForWhoTouchedItAndSentInOrder(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Prepare the plate');
        $sheet = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        $this->network(false);
        foreach (['Done. Heat and soak', 'Done. Print', 'Done. First layer'] as $step) {
            $this->press($step);
        }
        $this->press('Came off in the print');
        // What comes next follows from how the print ended, also without the server.
        $this->press('Done. Inspect');
        $this->press('No');
        $this->see('6 entries wait for the server');
        $this->see('Plate damaged: no');
        // A page that is loaded anew still has them; so has one where somebody else is signed in meanwhile, without sending them.
        $this->blocked('*/api/runs/*/*');
        $this->open($sheet);
        $this->see('6 entries wait for the server');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Sign out"]');
        $this->see('sent when you sign in here again');
        $this->click('//*[@role="dialog"]//button[.="Sign out"]');
        $this->see('Look around as');
        $this->network(true);
        $this->press('lead');
        $this->see('Good day');
        $this->open($sheet);
        $this->see('Noted so far');
        self::assertStringNotContainsString('for the server', $this->text());
        self::assertStringNotContainsString('Plate damaged: no', $this->text());
        $this->signIn('technician', $sheet);
        $this->see('Plate damaged: no');
        // Of what is on its way for a moment nobody speaks: the server says when all is there.
        $this->untilOnTheServer('inspect');
        self::assertSame('came_off', $this->runOnTheServer($sheet)['outcome']);
    }

    public function testATouchShowsBeforeTheDeviceHasWrittenItAndIsSentWhereItCannotWrite(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Prepare the plate');
        // Others write into the device's store for as long as they like: the next touch is of the next step, not of this one again.
        $this->page->executeAsyncScript(<<<'JS'
            const [done] = arguments;
            window.writing = true;
            indexedDB.open('keyval-store').onsuccess = ({ target }) => {
                const store = target.result.transaction('keyval', 'readwrite').objectStore('keyval');
                const goOn = () => { if (window.writing) store.get('nothing').onsuccess = goOn; };
                goOn();
                done();
            };
            JS);
        $this->press('Done. Heat and soak');
        $this->see('Done. Print');
        $this->page->executeScript('window.writing = false');
        $this->untilOnTheServer('heat_and_soak');
        // The device is full.
        $this->page->executeScript('IDBObjectStore.prototype.put = () => { throw new DOMException("full", "QuotaExceededError"); }');
        $this->press('Done. Print');
        $this->untilOnTheServer('print');
        $this->network(false);
        $this->press('Done. First layer');
        $this->press('Held to the end');
        $this->see('This device is full: 3 entries are kept by this page alone. Leave it open until the server has them.');
        $this->see('Reconnecting. This device is full: leave this page open.');
        $this->network(true);
        $this->untilOnTheServer('cool');
        $this->until(fn (): bool => !str_contains($this->text(), 'This device is full'), 'It is still said.');
        // Nor does the device say what it kept.
        $this->page->executeScript('IDBObjectStore.prototype.get = () => { throw new DOMException("denied", "SecurityError"); }');
        $this->press('Done. Cold pull');
        $this->untilOnTheServer('cold_pull');
        self::assertStringNotContainsString('was not taken', $this->text());
    }

    public function testARunIsDoneToItsEndWithoutNetwork(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Prepare the plate');
        $sheet = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        // The page had the time to get the next run, too.
        $this->await('new Set(performance.getEntriesByType("resource").map((each) => each.name).filter((name) => name.includes("/api/runs/"))).size > 1', [], 'Nobody asked for the next run.');
        $this->network(false);
        foreach (['Done. Heat and soak', 'Done. Print', 'Done. First layer', 'Held to the end'] as $touch) {
            $this->press($touch);
        }
        $this->see('Let it cool');
        $this->fill('Came off at, °C', '34');
        $this->press('Done. Cold pull');
        $this->press('Type the reading in');
        $this->fill('Peak of the pull, N', '20');
        $this->press('Take it');
        foreach (['Lifts by finger', 'No', 'Done. Clean', 'Finish the run'] as $touch) {
            $this->press($touch);
        }
        $this->see('This run is done as soon as the server has what was said here.');
        $this->press('To the next run');
        $this->press('Begin this run');
        $this->see('Prepare the plate');
        $next = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        self::assertNotSame($sheet, $next);
        $this->network(true);
        $this->until(fn (): bool => 'running' === $this->runOnTheServer($next)['status'], 'The next is not begun.');
        $this->until(fn (): bool => !str_contains($this->text(), 'for the server'), 'It is still said.');
        self::assertStringNotContainsString('was not taken', $this->text());
        self::assertSame(['done', 'held'], [$this->runOnTheServer($sheet)['status'], $this->runOnTheServer($sheet)['outcome']]);
    }

    public function testWhereSomebodyElseWasFirstBothSaysStandSideBySide(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Run 14');
        // Somebody else goes two steps on, which this page does not get to know.
        $run = $this->page->executeAsyncScript('const done = arguments[0]; (async () => done((await (await fetch("/api" + location.pathname)).json()).run.version))()');
        // A page that nobody looks at asks for nothing by itself.
        $this->page->executeScript('Object.defineProperty(document, "visibilityState", {value: "hidden", configurable: true}); document.dispatchEvent(new Event("visibilitychange"))');
        $this->page->executeAsyncScript(
            'let [version, done] = arguments; (async () => { const s = await (await fetch("/api/session")).json();'
            .'for (const step of ["heat_and_soak", "print"]) { version = (await (await fetch("/api" + location.pathname + "/step", {method: "POST", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify({version, step})})).json()).run.version; } done(1); })()',
            [$run],
        );
        $this->press('Done. Heat and soak');
        $this->see('“Heat and soak” was not taken');
        $this->see('Theirs');
        $this->page->executeScript('delete document.visibilityState; document.dispatchEvent(new Event("visibilitychange"))');
        $this->see('Start the print');
        $this->press('Understood');
        $this->until(fn (): bool => !str_contains($this->text(), 'was not taken'), 'It is still said.');
    }

    private function coolingRun(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Run 14');
        foreach (['Done. Heat and soak', 'Done. Print', 'Done. First layer'] as $step) {
            $this->press($step);
        }
        // Nothing more is to be said of a part that held: the run goes on by itself.
        $this->press('Held to the end');
        $this->see('Let it cool');
        $this->untilOnTheServer('cool');
    }

    private function untilOnTheServer(string $step): void
    {
        $sheet = (string) parse_url($this->page->getCurrentURL(), \PHP_URL_PATH);
        $this->until(fn (): bool => $step === $this->runOnTheServer($sheet)['step'], "The server does not know that it is at $step.");
    }

    /** @return array<string, mixed> */
    private function runOnTheServer(string $sheet): array
    {
        return (array) $this->page->executeAsyncScript('const [path, done] = arguments; (async () => done((await (await fetch("/api" + path)).json()).run))()', [$sheet]);
    }
}
