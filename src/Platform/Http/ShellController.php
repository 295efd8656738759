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
    public function __construct(private readonly string $projectDir)
    {
    }

    #[Route('/{path}', name: 'shell', requirements: ['path' => '(?!api/|build/).*'], methods: ['GET'], priority: -10)]
    public function shell(Request $request): Response
    {
        $nonce = bin2hex(random_bytes(16));
        $request->attributes->set(SecurityHeaders::NONCE, $nonce);
        $file = $this->projectDir.'/public/build/.vite/manifest.json';
        $manifest = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;
        if (!\is_array($manifest) || !\is_array($manifest['src/main.tsx'] ?? null)) {
            return new Response('The interface is not built yet: run bin/start.', 503, ['Content-Type' => 'text/plain']);
        }
        $response = $this->render('shell.html.twig', ['entry' => $manifest['src/main.tsx'], 'nonce' => $nonce]);
        $response->headers->set('Cache-Control', 'no-cache');

        return $response;
    }
}
