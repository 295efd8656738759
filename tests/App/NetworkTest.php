<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** What somebody may do who comes from the network of the shop, and the certificate that they come to trust. */
final class NetworkTest extends ApiTestCase
{
    private function fromNetwork(): void
    {
        // As the web server says it; a header of this name would be another thing.
        $this->browser->setServerParameter('SITZPLATZ_FROM_NETWORK', '1');
    }

    public function testNobodyComesInWithOneButtonOrWithAPasswordThatEverybodyKnows(): void
    {
        self::assertTrue($this->ask('GET', '/api/session', null, 200)['demo']);
        $this->browser->setServerParameter('HTTP_SITZPLATZ_FROM_NETWORK', '1');
        self::assertTrue($this->ask('GET', '/api/session', null, 200)['demo']);
        $this->fromNetwork();
        self::assertFalse($this->ask('GET', '/api/session', null, 200)['demo']);
        $this->ask('POST', '/api/demo-session', ['role' => 'viewer'], 404);
        self::assertStringContainsString('Change it at the machine itself', $this->ask('POST', '/api/session', ['name' => 'technician', 'password' => 'hilltop'], 403)['detail']);
        $this->ask('POST', '/api/first-lead', ['name' => 'somebody', 'displayName' => 'Somebody', 'password' => 'seven grey seagulls'], 403);
        $this->browser->setServerParameter('SITZPLATZ_FROM_NETWORK', '');
        $this->signIn('technician');
        $this->ask('PUT', '/api/password', ['old' => 'hilltop', 'password' => 'seven grey seagulls'], 204);
        $this->ask('DELETE', '/api/session', null, 204);
        $this->fromNetwork();
        $this->ask('POST', '/api/session', ['name' => 'technician', 'password' => 'seven grey seagulls'], 200);
        $this->ask('GET', '/api/overview', null, 200);
    }

    /** Of what TLS 1.2 still has, nothing that pads blocks before it seals them, nothing with a short proof, nothing without forward secrecy. */
    public function testOnlySuitesWithForwardSecrecyAndAFullProofAreOffered(): void
    {
        self::assertSame(1, preg_match('/ssl_ciphers ([^;]+);/', (string) file_get_contents(\dirname(__DIR__, 2).'/bin/parts/tls.sh'), $match));
        exec('openssl ciphers -v '.escapeshellarg($match[1] ?? '').' 2>&1', $suites, $code);
        self::assertSame(0, $code);
        self::assertGreaterThan(3, \count($suites));
        foreach ($suites as $suite) {
            self::assertMatchesRegularExpression('/^(TLS_|ECDHE-).* Mac=AEAD$/', trim($suite));
            self::assertStringNotContainsString('CCM', $suite);
        }
    }

    public function testTheCertificateIsOfTheShopsOwnAuthorityAndForTheNamesOfThisMachine(): void
    {
        $folder = sys_get_temp_dir().'/sitzplatz-tls-'.bin2hex(random_bytes(4));
        $open = static function (string $bind) use ($folder): array {
            $script = '. bin/parts/common.sh; . bin/parts/tls.sh; use_data_folder "$1"; umask 027; open_network; echo "[${NETWORK_NAMES[*]}]"; network_servers';
            exec(\sprintf('cd %s && SITZPLATZ_BIND=%s SITZPLATZ_NAME=bench.example bash -c %s x %s 2>&1', escapeshellarg(\dirname(__DIR__, 2)), $bind, escapeshellarg($script), escapeshellarg($folder)), $lines, $code);

            return [$code, implode("\n", $lines)];
        };
        try {
            [$code, $said] = $open('192.0.2.77');
            self::assertSame(0, $code, $said);
            self::assertStringContainsString('listen 192.0.2.77:8443 ssl default_server;', $said);
            self::assertStringContainsString('server_name bench.example 192.0.2.77 ', $said);
            $server = (string) file_get_contents("$folder/tls/server.pem");
            $read = openssl_x509_parse($server);
            self::assertIsArray($read);
            self::assertStringContainsString('DNS:bench.example, IP Address:192.0.2.77', $read['extensions']['subjectAltName']);
            self::assertSame('CA:FALSE', $read['extensions']['basicConstraints']);
            // Common practice: browsers and phones take 825 days at most from an authority of one's own (from memory).
            self::assertLessThanOrEqual(825 * 86_400, $read['validTo_time_t'] - $read['validFrom_time_t']);
            self::assertSame(1, openssl_x509_verify($server, (string) file_get_contents("$folder/tls/authority.pem")));
            foreach (['authority.key', 'server.key'] as $key) {
                self::assertSame('0600', substr(\sprintf('%o', fileperms("$folder/tls/$key")), -4));
            }
            $settings = (string) file_get_contents("$folder/app.env");
            self::assertStringContainsString('SITZPLATZ_ADDRESS=https://bench.example:8443', $settings);
            self::assertStringContainsString('SITZPLATZ_HOSTS=^127\.0\.0\.1$,^localhost$,^bench\.example$,^192\.0\.2\.77$', $settings);
            self::assertStringContainsString('SITZPLATZ_FINGERPRINT='.strtoupper(implode(':', str_split((string) openssl_x509_fingerprint((string) file_get_contents("$folder/tls/authority.pem"), 'sha256'), 2))), $settings);
            $open('192.0.2.77');
            self::assertSame($server, file_get_contents("$folder/tls/server.pem"), 'It is made anew only for other names, or before it ends.');
            $open('192.0.2.78');
            self::assertNotSame($server, file_get_contents("$folder/tls/server.pem"));
            // Another address of this machine alone: what comes in there comes over TLS, and from outside.
            self::assertStringContainsString('listen 127.0.0.2:8443 ssl;', $open('127.0.0.2')[1]);
            [$code, $said] = $open('none');
            self::assertSame([0, '[]'], [$code, $said]);
            self::assertStringNotContainsString('SITZPLATZ_ADDRESS', (string) file_get_contents("$folder/app.env"));
            self::assertSame(1, $open('my-laptop')[0]);
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }
}
