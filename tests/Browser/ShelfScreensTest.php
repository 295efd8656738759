<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\Cookie;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;

/** Everything that the workshop keeps: made, changed, retired, exported and brought back. */
final class ShelfScreensTest extends BrowserTestCase
{
    public function testAPlateFromTheShopToTheRanking(): void
    {
        $this->signIn('technician', '/shelf');
        $this->press('New plate');
        $this->fill('Number', 'P77');
        $this->fill('Belongs to', 'North bay');
        $this->fill('Width, mm', '250');
        $this->fill('Depth, mm', '210');
        $this->press('Save');
        $this->see('Choose one.');
        $this->fill('Surface, front', 'epoxy-glass laminate');
        $this->fill('Sheet or lot', 'board 7');
        $this->press('It has a usable back');
        $this->fill('Surface, back', 'smooth PEI');
        $this->press('Save');
        $this->see('P77');
        $this->see('board 7');

        $this->click('//tr[th[starts-with(., "P77")]]//button[.="New sheet"]');
        $this->see('A new sheet on P77 front');
        $this->fill('Surface', 'textured PEI');
        $this->fill('Sheet or lot', 'sheet 26-B');
        $this->press('Save');
        $this->see('sheet 26-B');

        $this->press('Choose');
        $this->click('//button[contains(., " more")]');
        $this->see('P77 front');
        $this->see('P77 back');

        $this->press('Shelf');
        $this->press('Change P77');
        $this->click('//button[@role="checkbox"][following-sibling::label[.="Retired"]]');
        $this->press('Save');
        $this->see('retired');
        $this->press('Choose');
        $this->see('let go unharmed');
        $this->click('//button[contains(., " more")]');
        $this->until(fn (): bool => !str_contains($this->text(), 'P77'), 'A retired plate is still offered.');
    }

    public function testAnOwnKindOfSurfaceFromTheBoxToItsFirstTest(): void
    {
        $this->signIn('technician', '/shelf');
        $this->press('Own surfaces');
        $this->press('New kind of surface');
        $this->fill('Name, by what it is', 'felted steel');
        $this->fill('Built and cleaned like', 'textured PEI');
        $this->fill('Stands up to, °C', '70');
        $this->press('Add a line');
        $this->fill('Material 1', 'PETG');
        $this->fill('From, °C', '65');
        $this->fill('Start at, °C', '72');
        $this->fill('To, °C', '80');
        $this->press('Save');
        $this->see('The chart goes to 80 °C, and the surface stands 70 °C');
        $this->fill('Stands up to, °C', '100');
        $this->press('Save');
        $this->see('1 line');
        $this->press('Plates');
        $this->press('New plate');
        $this->fill('Number', 'P78');
        $this->fill('Belongs to', 'North bay');
        $this->fill('Surface, front', 'felted steel');
        $this->fill('Sheet or lot', 'first');
        $this->press('Save');
        $this->see('P78');
        $this->press('Own surfaces');
        $this->press('First tests of felted steel');
        $this->see('P78 front, bare');
        $this->see('5 runs of each');
        $this->press('Plan it');
        $this->see('What do you want to know?');
        $this->press('What a setup has to reach');
        self::assertSame('5', $this->field('Runs per setup')->getAttribute('value'));
    }

    public function testAPlateIsCopiedFoundAndPutAway(): void
    {
        $this->signIn('technician', '/shelf');
        $this->press('Copy P13');
        $this->see('A plate like P13');
        self::assertSame('P17', $this->field('Number')->getAttribute('value'), 'The next free number.');
        self::assertSame('2.2', $this->field('Thickness, mm')->getAttribute('value'), 'Its layers came along.');
        $this->fill('Price', '80');
        $this->press('Save');
        $this->see('P17');

        $this->fill('Find', 'composite');
        $this->until(fn (): bool => '' === $this->row('P6') && '' !== $this->row('P17'), 'The list was not narrowed.');
        $this->press('Change P17');
        $this->click('//button[@role="checkbox"][following-sibling::label[.="Retired"]]');
        $this->press('Save');
        $this->until(fn (): bool => '' === $this->row('P17'), 'What is retired is still in the list.');
        $this->click('//button[@role="checkbox"][following-sibling::label[.="Show what is retired"]]');
        $this->see('P17');
        $this->see('retired');
    }

    public function testAFaultOpensThePartOfTheFormItIsIn(): void
    {
        $this->signIn('technician', '/shelf');
        $this->click('//*[@role="tab"][.="Printers"]');
        $this->press('Change North bay');
        $this->press('Heater and bed');
        $this->fill('Heater, W', '-5');
        $this->press('Heater and bed');
        $this->press('Save');
        $this->see('Enter more than 0.');
    }

    public function testPrintersAgentsAndLots(): void
    {
        $this->signIn('technician', '/shelf');
        $this->click('//*[@role="tab"][.="Printers"]');
        $this->press('New printer');
        $this->fill('Name', 'Attic');
        $this->press('How plates are held');
        $this->fill('Magnets hold up to, °C', 'x');
        $this->see('Write a number, like 12.5.');
        $this->fill('Magnets hold up to, °C', '90');
        $this->press('Save');
        $this->see('Attic');
        $this->press('New printer');
        $this->fill('Name', 'Attic');
        $this->press('Save');
        $this->see('This name or number is taken already');
        $this->press('Close');

        $this->click('//*[@role="tab"][.="Agents"]');
        $this->press('New agent');
        $this->fill('Kind', 'PVA stick');
        $this->fill('Name in the shop', 'Second stick');
        $this->press('Save');
        $this->see('Second stick');

        $this->click('//*[@role="tab"][.="Lots"]');
        $this->press('New lot');
        $this->fill('Lot number', 'L-777');
        $this->fill('Name in the shop', 'Ivory');
        $this->press('Save');
        $this->see('Choose one.');
        $this->fill('Material', 'PETG');
        $this->press('Save');
        $this->see('Ivory');
    }

    public function testCareIsNotedWhereItIsDue(): void
    {
        $this->signIn('technician', '/care');
        $this->see('plate sides are due');
        $this->press('Note care for P7 front');
        $this->press('Washed');
        $this->press('Note it');
        $this->until(fn (): bool => !str_contains($this->row('P7 front'), 'Wash:'), 'The wash was not noted.');
        $this->press('Note a change to a printer');
        $this->fill('Printer', 'South bay');
        $this->press('crash');
        $this->fill('Note', 'Ran into a curled part.');
        $this->press('Note it');
        $this->see('Ran into a curled part.');
    }

    public function testFixListensToThePlate(): void
    {
        $this->signIn('viewer', '/fix');
        $this->press('A corner lifts');
        $this->see('Wash the plate, and hold it by its tabs.');
        $this->fill('On which plate', 'P2 front');
        $this->see('On P2 front');
        $this->see('12 prints since its last wash');
        $this->press('Something else is wrong');
        $this->press('It will not come off');
        $this->see('Let it cool fully, then take it off as told beside.');
        $this->see('flex it away from the face');
    }

    public function testOneChangesTheOwnPassword(): void
    {
        $this->signIn('technician');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Change my password"]');
        $this->fill('Old password', 'hilltop');
        $this->fill('New password', 'password123');
        $this->press('Change it');
        $this->see('This is among the first that anybody tries.');
        $this->assertAccessible('a new password');
        $this->fill('New password', 'seven grey seagulls');
        $this->press('Change it');
        $this->until(fn (): bool => !str_contains($this->text(), 'Old password'), 'It was not taken.');
        // The session goes on, and what it writes is taken.
        self::assertSame(200, $this->page->executeAsyncScript('const done = arguments[0]; (async () => { const s = await (await fetch("/api/session")).json(); const r = await fetch("/api/preferences", {method: "PUT", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify(s.preferences)}); done(r.status); })()'));
    }

    public function testManyAtOnceAreNoMoreThanMany(): void
    {
        $this->signIn('lead');
        $at = fn (string $path, string $body, int $times): array => array_count_values((array) $this->page->executeAsyncScript(
            'const [path, body, times, done] = arguments; Promise.all(Array.from({length: times}, (_, i) => fetch(path, {method: "POST", headers: {"Content-Type": "application/json"}, body: body.replaceAll("#", i)}).then((r) => r.status))).then(done)',
            [$path, $body, $times],
        ));
        $guesses = $at('/api/session', '{"name": "technician", "password": "wrong #"}', 30);
        self::assertSame([401, 429], array_keys($guesses) === [429, 401] ? [401, 429] : array_keys($guesses));
        self::assertSame(5, $guesses[401], 'Only as many guesses as one after the other were looked at.');
        $this->database('SET FOREIGN_KEY_CHECKS = 0; DELETE FROM user_account');
        $first = $at('/api/first-lead', '{"name": "first#", "displayName": "First", "password": "seven grey seagulls"}', 12);
        self::assertSame(1, $first[201] ?? 0, 'There is one first lead.');
        self::assertSame(11, array_sum($first) - 1);
    }

    /** As many sums as the app has workers hang, as if they took that long: a browser would not even ask for so many. */
    public function testWhoAsksForAListDoesNotWaitForThoseWhoHaveSumsDone(): void
    {
        $this->signIn('technician');
        $cookies = implode('; ', array_map(static fn (Cookie $each): string => $each->getName().'='.$each->getValue(), $this->page->manage()->getCookies()));
        $asked = static function (string $path) use ($cookies): \CurlHandle {
            $handle = curl_init(self::base().$path);
            self::assertNotFalse($handle);
            curl_setopt_array($handle, [\CURLOPT_RETURNTRANSFER => true, \CURLOPT_HTTPHEADER => ["Cookie: $cookies"], \CURLOPT_USERAGENT => 'Mozilla/5.0 (X11; Linux x86_64)', \CURLOPT_TIMEOUT => 10]);

            return $handle;
        };
        $lock = $this->locked('profile');
        $sums = curl_multi_init();
        try {
            $hanging = array_map(static fn (): \CurlHandle => $asked('/api/coverage'), range(1, 8));
            array_walk($hanging, static fn (\CurlHandle $handle) => curl_multi_add_handle($sums, $handle));
            $this->until(static fn (): bool => \CURLM_OK === curl_multi_exec($sums, $active) && [] === array_filter($hanging, static fn (\CurlHandle $each): bool => curl_getinfo($each, \CURLINFO_PRETRANSFER_TIME) <= 0), 'They were not all asked.');
            $list = $asked('/api/printers');
            curl_exec($list);
            self::assertSame(200, curl_getinfo($list, \CURLINFO_RESPONSE_CODE), 'The list waits for the sums.');
            self::assertSame([0], array_values(array_unique(array_map(static fn (\CurlHandle $each): int => curl_getinfo($each, \CURLINFO_RESPONSE_CODE), $hanging))), 'No sum was in the way.');
        } finally {
            $lock();
        }
        $this->until(static fn (): bool => \CURLM_OK === curl_multi_exec($sums, $active) && 0 === $active, 'The sums are not done.');
        // Of one person three are done at a time; the page sends the others again.
        $answers = array_count_values(array_map(static fn (\CurlHandle $each): int => curl_getinfo($each, \CURLINFO_RESPONSE_CODE), $hanging));
        self::assertGreaterThanOrEqual(3, $answers[200] ?? 0);
        self::assertSame(8, ($answers[200] ?? 0) + ($answers[429] ?? 0));
    }

    public function testALeadReadsWhoDidWhat(): void
    {
        $this->signIn('lead');
        $this->page->executeAsyncScript('const done = arguments[0]; fetch("/api/session", {method: "POST", headers: {"Content-Type": "application/json"}, body: JSON.stringify({name: "technician", password: "wrong"})}).then(done)');
        $this->open('/people');
        $this->press('Who did what');
        $this->see('sign-in refused');
        $this->see('name: technician');
        $this->assertAccessible('the log');
        $this->fill('By whom', 'nobody');
        $this->see('sign-in refused');
        $this->phone();
        $this->assertFits('the log');
    }

    public function testALeadSaysThatTheKeyOfTheBackupsIsWrittenDown(): void
    {
        $this->signIn('lead');
        $this->click('//a[contains(., "Write down the key of the backups")]');
        $this->see('Anybody with a backup can read it.');
        $this->fill('Its last four signs', 'ABC-');
        $this->press('I have it');
        $this->see('The key ends otherwise.');
        $key = (string) file_get_contents(\dirname((string) getenv('SITZPLATZ_TEST_SOCKET'), 3).'/backup.key');
        $this->fill('Its last four signs', strtolower(substr(trim($key), -4)));
        $this->press('I have it');
        $this->see('without it nobody opens a backup');
        $this->open('/');
        $this->see('Good day');
        self::assertStringNotContainsString('key of the backups', $this->page->getPageSource());
    }

    public function testALeadKeepsTheAccounts(): void
    {
        $this->signIn('lead');
        $this->click('//button[contains(., "Tilo")]');
        $this->click('//*[@role="menuitem"][.="People"]');
        $this->press('New account');
        $this->fill('Name to sign in with', 'ines');
        $this->fill('Name as it is shown', 'Ines');
        $this->fill('Password', 'short');
        $this->press('Save');
        $this->see('Write at least 10 characters.');
        $this->fill('Password', 'long enough');
        $this->press('Save');
        $this->press('Change Ines');
        $this->press('viewer');
        $this->press('Save');
        $this->until(fn (): bool => str_contains($this->row('Ines'), 'viewer'), 'The role did not change.');

        $this->page->manage()->deleteAllCookies();
        $this->open('/');
        $this->fill('Name', 'ines');
        $this->fill('Password', 'wrong');
        $this->press('Sign in');
        $this->see('Name and password do not fit.');
        $this->fill('Password', 'long enough');
        $this->press('Sign in');
        $this->see('Good day, Ines');
        $this->click('//button[contains(., "Ines")]');
        $this->click('//*[@role="menuitem"][.="Sign out"]');
        $this->see('This is the demo');
    }

    public function testAProfileComesBackUnsignedAndIsTriedWithAReason(): void
    {
        $this->signIn('lead');
        $document = $this->page->executeAsyncScript(
            'const done = arguments[0]; (async () => { const profiles = await (await fetch("/api/profiles")).json(); done(await (await fetch("/api/profiles/" + profiles.find((p) => p.title.startsWith("House grey")).id + "/export")).text()); })()',
        );
        self::assertIsString($document);
        $file = tempnam(sys_get_temp_dir(), 'profile').'.json';
        file_put_contents($file, str_replace('House grey PLA on textured P1', 'Brought from elsewhere', $document));
        $this->press('Keep');
        $this->press('Import a profile');
        $this->upload('Profile file (JSON)', __FILE__);
        $this->see('This file is not JSON.');
        $this->upload('Profile file (JSON)', $file);
        $this->see('It comes from elsewhere: its runs are not here.');
        $this->see('not signed');
        $this->press('Sign');
        $this->fill('Why is it tried?', 'Recommended by the sister workshop.');
        $this->fill('Your password', 'hilltop');
        $this->press('Sign as a trial');
        $this->see('On trial, not proven');
        $this->see('Recommended by the sister workshop.');
        $this->press('Withdraw');
        $this->click('//*[@role="dialog"]//label[.="Why"]');
        $this->fill('Why', 'Did not hold here.');
        $this->fill('Your password', 'hilltop');
        $this->click('//*[@role="dialog"]//button[.="Withdraw"]');
        $this->see('Withdrawn: Did not hold here.');
        unlink($file);
    }

    private function row(string $name): string
    {
        try {
            return $this->page->findElement(WebDriverBy::xpath(\sprintf('//tr[contains(., "%s")]', $name)))->getText();
        } catch (\Facebook\WebDriver\Exception\WebDriverException) {
            return '';
        }
    }

    private function upload(string $label, string $file): void
    {
        $this->field($label)->setFileDetector(new LocalFileDetector())->sendKeys($file);
    }
}
