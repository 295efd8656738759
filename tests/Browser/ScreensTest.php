<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Every main view: no accessibility faults in light and dark, nothing cut off on a phone, all by keyboard. */
final class ScreensTest extends BrowserTestCase
{
    private const VIEWS = [
        '/' => 'Good day',
        '/choose' => 'candidates, the likeliest first',
        '/choose/catalogue' => 'Where practitioners disagree',
        '/choose/heat' => 'set the display to',
        '/test' => 'Comparisons',
        '/test/new' => 'What a setup has to reach',
        '/judge' => 'Verdicts',
        '/keep' => 'Profiles',
        '/care' => 'due',
        '/fix' => 'What is wrong?',
        '/shelf' => 'Shelf',
        '/people' => 'Three roles',
    ];

    public function testEveryViewIsAccessibleInLightAndDarkAndFitsAPhone(): void
    {
        $this->open('/');
        $this->see('Sign in');
        $this->assertAccessible('sign-in');
        $this->signIn('lead');
        $views = self::VIEWS + $this->deepViews();
        foreach ($views as $path => $words) {
            $this->open($path);
            $this->see($words);
            $this->assertAccessible("$path in light");
            $this->page->executeScript('document.documentElement.dataset.theme = "dark"');
            $this->assertAccessible("$path in dark");
        }
        $this->phone();
        foreach ($views as $path => $words) {
            $this->open($path);
            $this->see($words);
            $this->assertFits($path);
        }
    }

    public function testTheBenchIsChangedByKeyboardAndPrefillsChoose(): void
    {
        $this->signIn('viewer');
        $bar = $this->page->findElement(WebDriverBy::xpath('//button[@aria-label="The bench: change what lies on it"]'));
        $bar->sendKeys(WebDriverKeys::ENTER);
        $this->fill('Printer', 'Dome');
        $this->fill('Material and lot', 'ABS');
        $this->field('Room, °C')->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::CONTROL.'23'.WebDriverKeys::ENTER);
        $this->see('ABS L-301');
        $this->press('Choose');
        $this->see('Dome white ABS on smooth P7');
        $this->see('review was due');
        self::assertStringNotContainsString('Compare', $this->text(), 'A viewer plans no comparison.');
        $this->fill('Room, °C', '14');
        $this->see('yours is 14 °C');
    }

    public function testUnitsFollowThePreference(): void
    {
        $this->signIn('technician');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->press('°F');
        $this->press('kgf');
        $this->press('Save');
        $this->see('68 °F');
        $this->press('Judge');
        $this->click('//a[.="Filter cells in grey PLA, which plate?"]');
        // 20 N is 2.04 kgf (NIST SP 811).
        $this->see('Hot pull at least 2.04 kgf');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->press('°C');
        $this->press('N');
        $this->press('Save');
        $this->see('Hot pull at least 20 N');
    }

    public function testAStaleEditShowsBothVersionsAndLosesNothing(): void
    {
        $this->signIn('technician');
        $this->press('Shelf');
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
        $this->see('"theirs"');
        $this->press('Keep mine and save');
        $this->see('mine');
        self::assertStringNotContainsString('theirs', $this->text());
    }

    public function testAnEntryMadeWithoutNetworkIsKeptAndSent(): void
    {
        $this->signIn('technician');
        $this->click('//a[contains(., "Go on with run")]');
        $this->see('Run 14');
        foreach (['Done. Heat and soak', 'Done. Print', 'Done. First layer'] as $step) {
            $this->press($step);
        }
        $this->press('Held to the end');
        $this->press('Done. Cool');
        $this->see('Let it cool');
        $this->network(false);
        $this->fill('Came off at, °C', '33');
        $this->press('Note it');
        $this->see('One entry waits for the network');
        $this->network(true);
        $this->see('Came off at: 33 °C');
        $this->until(fn (): bool => !str_contains($this->text(), 'waits for the network'), 'The entry was not sent.');
        $this->press('Void this run');
        $this->fill('What spoiled it', 'Network drill.');
        $this->press('Void it');
        $this->see('Somebody else has to declare it void.');
    }

    /** Every request fails as it does when the cable is out. */
    private function network(bool $on): void
    {
        $this->page->executeScript($on
            ? 'window.fetch = window.wiredFetch'
            : 'window.wiredFetch = window.fetch; window.fetch = () => Promise.reject(new TypeError("Failed to fetch"))');
    }

    /** @return array<string, string> */
    private function deepViews(): array
    {
        $ids = $this->page->executeAsyncScript(
            'const done = arguments[0]; (async () => { const get = async (p) => (await fetch("/api/" + p)).json(); const comparisons = await get("comparisons"); const by = (s) => comparisons.find((c) => c.status === s).id;'
            .'const under = comparisons.find((c) => c.runs.planned > 0).id; const running = await get("comparisons/" + under); const closed = await get("comparisons/" + by("closed")); const profiles = await get("profiles");'
            .'done({running: under, draft: by("draft"), closed: by("closed"), run: running.runs.find((r) => r.status !== "done").id, doneRun: running.runs.find((r) => r.status === "done").id, setup: closed.setups[0].id, profile: profiles[0].id}); })()',
        );
        self::assertIsArray($ids);

        return [
            "/test/{$ids['running']}" => 'Runs in order',
            "/test/{$ids['draft']}" => 'The order, as it would be',
            "/test/{$ids['draft']}/plan" => 'Change the plan',
            "/test/{$ids['running']}/import" => 'Readings from paper',
            "/runs/{$ids['run']}" => 'Noted so far',
            "/runs/{$ids['doneRun']}" => 'This run is done',
            "/judge/{$ids['closed']}" => 'How this is judged',
            "/keep/{$ids['profile']}" => 'Trust it for',
            "/keep/{$ids['profile']}/card" => 'Card for the printer',
            "/keep/propose/{$ids['setup']}" => 'How many runs are enough',
        ];
    }
}
