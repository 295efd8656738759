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
        '/choose' => 'let go unharmed',
        '/choose/catalogue' => 'Where practitioners disagree',
        '/choose/heat' => 'set the display to',
        '/test' => 'Comparisons',
        '/test/new' => 'What a setup has to reach',
        '/judge' => 'Verdicts',
        '/keep' => 'Profiles',
        '/care' => 'due',
        '/care/sums' => 'Thin a cleaner with water',
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
            // All else is the same in both.
            $this->assertAccessible("$path in dark", 'color-contrast');
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
        $this->change('Room temperature:', 'Room, °C', '14');
        $this->see('yours is 14 °C');
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
