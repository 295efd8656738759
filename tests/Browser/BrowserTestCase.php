<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeDriver;
use Facebook\WebDriver\Chrome\ChromeDriverService;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;

/** Drives the real interface in headless Chromium; waits for conditions, never for a fixed time. */
abstract class BrowserTestCase extends TestCase
{
    private const WAIT_SECONDS = 20;
    private const WAIT_MILLISECONDS = 50;

    protected RemoteWebDriver $page;
    /** One for all tests of a process: to start it anew for each would take longer than most of them. */
    private static ?RemoteWebDriver $browser = null;

    protected function setUp(): void
    {
        $reset = getenv('SITZPLATZ_TEST_RESET');
        if (\is_string($reset)) {
            exec("($reset) 2>&1", $output, $code);
            self::assertSame(0, $code, "The demo could not be restored:\n".implode("\n", $output));
        }
        $this->page = self::$browser ??= self::browser();
    }

    protected function tearDown(): void
    {
        $complaints = [];
        try {
            foreach ($this->page->manage()->getLog('browser') as $entry) {
                // A refused request is part of the tests; a script error or a blocked style never is.
                if ('SEVERE' === $entry['level'] && !str_contains($entry['message'], 'Failed to load resource')) {
                    $complaints[] = $entry['message'];
                }
            }
            $this->leaveNothing();
        } catch (WebDriverException $e) {
            // What one test has left of the browser is not the next one's to go on with.
            self::$browser = null;
            throw $e;
        }
        self::assertSame([], $complaints, 'The browser complained.');
    }

    private static function browser(): RemoteWebDriver
    {
        $profile = sys_get_temp_dir().'/sitzplatz-browser-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions())->setBinary('/usr/lib/chromium/chromium-headless-shell')->addArguments([
            '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--no-first-run', '--disable-threaded-compositing',
            '--disable-background-networking', '--disable-component-update', '--disable-sync', '--lang=en-GB',
            '--window-size=1280,800', '--user-data-dir='.$profile,
        ]);
        $capabilities = DesiredCapabilities::chrome();
        // Chromium without a window of its own to draw: it loads a page for two thirds of the work.
        $capabilities->setBrowserName('chrome-headless-shell');
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $port = self::freePort();
        $browser = ChromeDriver::start($capabilities, new ChromeDriverService('/usr/bin/chromedriver', $port, ["--port=$port"]));
        register_shutdown_function(static function () use ($browser, $profile): void {
            $browser->quit();
            exec('rm -rf '.escapeshellarg($profile));
        });

        return $browser;
    }

    /** The next test has a window of its own, on a device where nobody was before; what the browser has loaded of the app it keeps. */
    private function leaveNothing(): void
    {
        $this->page->executeAsyncScript('const done = arguments[0]; "caches" in window ? caches.delete("sitzplatz.answers").then(done, done) : done()');
        $were = $this->page->getWindowHandles();
        $this->page->switchTo()->newWindow();
        $own = $this->page->getWindowHandle();
        foreach ($were as $window) {
            $this->page->switchTo()->window($window)->close();
        }
        $this->page->switchTo()->window($own);
        $this->command('Storage.clearDataForOrigin', ['origin' => self::base(), 'storageTypes' => 'cookies,local_storage,indexeddb']);
    }

    /** Does something to the database behind the app, as its owner. */
    protected function database(string $sql): void
    {
        exec(self::client().' --delimiter=// -e '.escapeshellarg($sql).' 2>&1', $output, $code);
        self::assertSame(0, $code, implode("\n", $output));
    }

    /** As the owner of the tables. */
    private static function client(): string
    {
        return (string) preg_replace('/ < .*$/', '', (string) getenv('SITZPLATZ_TEST_RESET'));
    }

    /**
     * Nobody else reads the table until what is given back is called.
     *
     * @return \Closure(): void
     */
    protected function locked(string $table): \Closure
    {
        $client = proc_open('exec '.self::client().' --unbuffered --skip-column-names', [['pipe', 'r'], ['pipe', 'w']], $pipes);
        self::assertIsResource($client);
        fwrite($pipes[0], "LOCK TABLES $table WRITE; SELECT 'locked';\n");
        self::assertSame("locked\n", fgets($pipes[1]));

        return static function () use ($client, $pipes): void {
            fclose($pipes[0]);
            proc_close($client);
        };
    }

    protected function open(string $path): void
    {
        $this->page->get(self::base().$path);
    }

    /** Past the door, which would be one more page to wait for in each test, to a page. */
    protected function signIn(string $role, string $path = '/'): void
    {
        file_get_contents(self::base().'/api/demo-session', context: stream_context_create(['http' => [
            'method' => 'POST',
            'header' => "Content-Type: application/json\r\nUser-Agent: Mozilla/5.0 (X11; Linux x86_64)",
            'content' => json_encode(['role' => $role], \JSON_THROW_ON_ERROR),
        ]]));
        $cookies = preg_filter('/^set-cookie:\s*([^=]+=[^;]*).*$/i', '$1', $http_response_header);
        self::assertNotSame([], $cookies, 'The door stays closed.');
        $this->page->manage()->deleteAllCookies();
        foreach ($cookies as $cookie) {
            [$name, $value] = explode('=', $cookie, 2);
            $this->command('Network.setCookie', ['url' => self::base(), 'name' => $name, 'value' => urldecode($value), 'httpOnly' => true, 'sameSite' => 'Strict']);
        }
        $this->open($path);
        '/' !== $path || $this->see('Good day');
    }

    protected function signInAtTheDoor(string $role): void
    {
        $this->page->manage()->deleteAllCookies();
        $this->open('/');
        $this->press($role);
        $this->see('Good day');
    }

    /** Waits until the words stand on the page. */
    protected function see(string $words): void
    {
        $this->await('document.body?.innerText.replaceAll("\u00a0", " ").includes(arguments[0])', [$words], "\"$words\" did not come.");
    }

    /** As it is shown; asked of the browser itself, as the driver takes a second for a long page. */
    protected function text(): string
    {
        $text = $this->page->executeScript('return document.body ? document.body.innerText : ""');

        // A space that must not break is a space to whoever reads it.
        return \is_string($text) ? str_replace("\u{a0}", ' ', $text) : '';
    }

    /** The same of the first element of a CSS selector; "" while there is none. */
    protected function textOf(string $selector): string
    {
        $text = $this->page->executeScript('return document.querySelector(arguments[0])?.innerText', [$selector]);

        return \is_string($text) ? str_replace("\u{a0}", ' ', $text) : '';
    }

    /** Presses the button or link with these words. */
    protected function press(string $words): void
    {
        $this->click(\sprintf('//*[self::button or self::a or self::summary][normalize-space(.)=%1$s or @aria-label=%1$s]', self::quoted($words)));
    }

    /** Changes what a word of a sentence says: the word is touched, its fields are filled, and it closes again. */
    protected function change(string $word, string $label, string $value): void
    {
        $this->openWord($word);
        $this->fill($label, $value);
        $this->closeWord();
    }

    protected function openWord(string $word): void
    {
        $this->click(\sprintf('//button[@aria-haspopup][starts-with(@aria-label, "%s")]', $word));
        $this->await('document.querySelector("[role=dialog][data-state=open]") !== null', [], "$word did not open.");
    }

    protected function closeWord(): void
    {
        $this->page->switchTo()->activeElement()->sendKeys(WebDriverKeys::ESCAPE);
        $this->await('document.querySelector("[role=dialog][data-state=open]") === null', [], 'It did not close.');
    }

    /** In the middle of the window and awake: what opens a list does so when it is touched, and lets no click through then. */
    private const TO_PRESS = <<<'JS'
        (() => {
            const element = document.evaluate(arguments[0], document, null, XPathResult.FIRST_ORDERED_NODE_TYPE, null).singleNodeValue;
            if (!element || element.disabled) return null;
            element.scrollIntoView({block: 'center'});
            window.pressed = false;
            element.addEventListener(element.getAttribute('aria-haspopup') ? 'pointerdown' : 'click', () => { window.pressed = true; }, {once: true, capture: true});
            return element;
        })()
        JS;

    protected function click(string $xpath): void
    {
        $this->until(function () use ($xpath): bool {
            try {
                $element = $this->element($this->page->executeAsyncScript(self::AWAIT.self::TO_PRESS.'))', [$xpath]));
                if (null === $element) {
                    return false;
                }
                $element->click();

                // What moved in this moment was missed, as by a finger, and is pressed again. A page that was left knows nothing of it.
                return false !== $this->page->executeScript('return window.pressed');
            } catch (WebDriverException) {
                return false;
            }
        }, "Could not press $xpath.");
    }

    /** Looks for something again whenever the page has changed, in the page itself: asked from here the browser had little else to do. */
    private const AWAIT = <<<'JS'
        const [done] = [...arguments].slice(-1);
        const answered = (look) => {
            let due = 0;
            const end = (found) => { watch.disconnect(); clearInterval(again); clearTimeout(late); clearTimeout(due); done(found); };
            const once = () => { due = 0; const found = look(); if (found) end(found); };
            const watch = new MutationObserver(() => { due ||= setTimeout(once, 15); });
            const again = setInterval(once, 200);
            const late = setTimeout(() => end(null), 2000);
            watch.observe(document, {subtree: true, childList: true, characterData: true, attributes: true});
            once();
        };
        answered(() => (
        JS;

    /** @param list<mixed> $arguments of the condition, which is an expression of the page */
    protected function await(string $condition, array $arguments, string $complaint): void
    {
        $this->until(function () use ($condition, $arguments): bool {
            try {
                return true === $this->page->executeAsyncScript(self::AWAIT.$condition.'))', $arguments);
            } catch (WebDriverException) {
                // The page was left while it was looked at.
                return false;
            }
        }, $complaint);
    }

    /** @param \Closure(): bool $condition */
    protected function until(\Closure $condition, string $complaint): void
    {
        try {
            $this->page->wait(self::WAIT_SECONDS, self::WAIT_MILLISECONDS)->until($condition);
        } catch (TimeoutException) {
            self::fail("$complaint At {$this->page->getCurrentURL()} there is:\n".$this->text());
        }
    }

    /** What a script has found, as the driver names it. */
    private function element(mixed $found): ?RemoteWebElement
    {
        return \is_array($found) ? new RemoteWebElement(new RemoteExecuteMethod($this->page), (string) current($found), true) : null;
    }

    protected function field(string $label): RemoteWebElement
    {
        $by = \sprintf('//*[@id=//label[normalize-space(.)=%s]/@for]', self::quoted($label));
        $this->await('document.evaluate(arguments[0], document, null, XPathResult.BOOLEAN_TYPE, null).booleanValue', [$by], "There is no field $label.");

        return $this->page->findElement(WebDriverBy::xpath($by));
    }

    protected function fill(string $label, string $value): void
    {
        $field = $this->field($label);
        if ('select' === $field->getTagName()) {
            $this->pick($label, $value);

            return;
        }
        if ('combobox' === $field->getAttribute('role')) {
            $field->click();
            $this->await('document.querySelector("[cmdk-input]") !== null', [], "The list of $label did not open.");
            $this->page->findElement(WebDriverBy::cssSelector('[cmdk-input]'))->sendKeys($value.WebDriverKeys::ENTER);
            $this->await('document.querySelector("[cmdk-input]") === null', [], "There is no $value in $label.");

            return;
        }
        // Written anew through the keyboard, as a hand would.
        $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::CONTROL);
        $field->sendKeys('' === $value ? WebDriverKeys::BACKSPACE : $value);
    }

    /** Of a list that the browser draws itself; in a window that has just opened the driver's touch may choose nothing, without a word of it. */
    private function pick(string $label, string $value): void
    {
        $this->until(function () use ($label, $value): bool {
            $option = $this->page->executeScript(
                'const [list, text] = arguments; const option = [...list.options].find((each) => each.text.startsWith(text));'
                .'window.picked = option?.selected; list.addEventListener("change", () => { window.picked = true; }, {once: true, capture: true}); return option;',
                [$this->field($label), $value],
            );
            if (null === $option) {
                // It may come with what the server says to what was chosen before.
                return false;
            }
            try {
                $this->element($option)?->click();
            } catch (WebDriverException) {
                return false;
            }

            return true === $this->page->executeScript('return window.picked');
        }, "Could not choose $value in $label.");
    }

    /** From now on the page is shown as on a phone of 390 × 844 points. */
    protected function phone(): void
    {
        $this->show(390, 844);
    }

    /** As on a tablet beside the machine, 820 × 1180. */
    protected function tablet(): void
    {
        $this->show(820, 1180);
    }

    /** As at a desk again. */
    protected function desk(): void
    {
        $this->command('Emulation.clearDeviceMetricsOverride');
    }

    private function show(int $width, int $height): void
    {
        $metrics = ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $width < 500];
        $this->command('Emulation.setDeviceMetricsOverride', $metrics);
    }

    /**
     * Faults that axe-core finds on the page as it is, WCAG 2.2 AA.
     *
     * @param string|null $rule only this one; null: all
     */
    protected function assertAccessible(string $where, ?string $rule = null): void
    {
        $this->page->executeScript((string) file_get_contents(\dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        // What the bench bar covers at the moment is not too small: it scrolls.
        $this->page->executeScript('document.querySelectorAll(".sticky").forEach((e) => { e.style.position = "static"; })');
        $this->page->manage()->timeouts()->setScriptTimeout(30);
        $found = $this->page->executeAsyncScript(
            'const done = arguments[1]; axe.run(document, {runOnly: arguments[0]}).then('
            .'(result) => done(result.violations.map((v) => v.id + ": " + v.nodes.map((n) => n.html.slice(0, 160)).join(" | "))), (error) => done([String(error)]))',
            [null === $rule ? ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] : ['type' => 'rule', 'values' => [$rule]]],
        );
        $this->page->executeScript('document.querySelectorAll(".sticky").forEach((e) => { e.style.position = ""; })');
        self::assertSame([], $found, $where);
    }

    /** Nothing sticks out to the right of a phone. */
    protected function assertFits(string $where): void
    {
        try {
            $this->page->wait(self::WAIT_SECONDS, self::WAIT_MILLISECONDS)->until(fn (): bool => $this->page->executeScript('return document.documentElement.scrollWidth') <= 390);
        } catch (TimeoutException) {
            self::assertSame([], $this->page->executeScript(
                'return [...document.body.querySelectorAll("*")].filter((e) => e.getBoundingClientRect().right > 390).map((e) => e.outerHTML.slice(0, 160)).slice(0, 20)',
            ), "$where is wider than the screen.");
            self::fail("$where is wider than the screen.");
        }
        self::assertLessThanOrEqual(390, $this->page->executeScript('return document.documentElement.scrollWidth'), $where);
    }

    private static function quoted(string $words): string
    {
        return str_contains($words, "'") ? '"'.$words.'"' : "'".$words."'";
    }

    protected static function base(): string
    {
        $url = getenv('SITZPLATZ_TEST_URL');
        self::assertIsString($url, 'Run bin/test Browser: it starts the servers.');

        return $url;
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($socket);
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    /** Requests to these addresses fail, as they do when the cable is out; none: all pass. */
    protected function blocked(string ...$addresses): void
    {
        $this->command('Network.enable');
        $this->command('Network.setBlockedURLs', ['urls' => $addresses]);
    }

    protected function network(bool $on): void
    {
        $this->blocked(...($on ? [] : ['*/api/*']));
    }

    /**
     * @param array<string, mixed> $with
     *
     * @return array<string, mixed>
     */
    protected function command(string $name, array $with = []): array
    {
        return (array) (new ChromeDevToolsDriver($this->page))->execute($name, $with);
    }
}
