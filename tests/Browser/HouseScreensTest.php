<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** What somebody sees of the house that the app lives in: it is out of reach and comes back, a session is ended elsewhere. */
final class HouseScreensTest extends BrowserTestCase
{
    public function testAServerOutOfReachIsSaidAndThePageGoesOnByItself(): void
    {
        $this->signIn('technician');
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
        $this->signIn('technician');
        $here = $this->page->manage()->getCookies();
        $this->page->manage()->deleteAllCookies();
        $this->signIn('technician');
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
        $this->signIn('technician');
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
}
