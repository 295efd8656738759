<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The one page that the interface lives in. */
final class ShellController extends AbstractController
{
    private const ENTRY = 'src/main.tsx';
    private const APP = 'src/app.tsx';
    /** Where the interface has pages; what is below them it knows itself. */
    private const PAGES = ['', 'choose', 'test', 'runs', 'judge', 'keep', 'care', 'fix', 'prints', 'manual', 'shelf', 'people', 'trust'];

    public function __construct(private readonly string $projectDir)
    {
    }

    #[Route('/{path}', name: 'shell', requirements: ['path' => '(?!api/|build/).*'], methods: ['GET'], priority: -10)]
    public function shell(Request $request, string $path): Response
    {
        $nonce = bin2hex(random_bytes(16));
        $request->attributes->set(SecurityHeaders::NONCE, $nonce);
        $file = $this->projectDir.'/public/build/.vite/manifest.json';
        $manifest = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;
        if (!\is_array($manifest) || !\is_array($manifest[self::ENTRY] ?? null)) {
            return new Response('The interface is not built yet: run bin/start.', 503, ['Content-Type' => 'text/plain']);
        }
        $response = $this->render('shell.html.twig', [
            'entry' => $manifest[self::ENTRY],
            'ahead' => $this->ahead($manifest),
            'languages' => $this->languages(),
            'nonce' => $nonce,
        ]);
        // The page itself says what is not there.
        $response->setStatusCode(\in_array(explode('/', $path)[0], self::PAGES, true) ? 200 : 404);
        $response->headers->set('Cache-Control', 'no-cache');

        return $response;
    }

    /**
     * What the entry asks for next: fetched at once, beside it.
     *
     * @param array<array<mixed>> $manifest
     *
     * @return list<string>
     */
    private function ahead(array $manifest): array
    {
        $files = [];
        $open = [self::APP];
        while (null !== $chunk = array_shift($open)) {
            $file = $manifest[$chunk]['file'] ?? null;
            if (\is_string($file) && !\in_array($file, $files, true)) {
                $files[] = $file;
                array_push($open, ...($manifest[$chunk]['imports'] ?? []));
            }
        }

        return $files;
    }

    /** @return array<string, string> by locale or language, the address of its words */
    private function languages(): array
    {
        $languages = [];
        foreach (glob($this->projectDir.'/public/build/words/*.json') ?: [] as $file) {
            // What changes gets another address, as it may be kept for good.
            $languages[basename($file, '.json')] = '/build/words/'.basename($file).'?'.substr((string) md5_file($file), 0, 8);
        }

        return $languages;
    }
}
