<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** Whether the app can work: asked by the start command. */
final readonly class HealthController
{
    public function __construct(private Connection $database)
    {
    }

    #[Route('/api/health', name: 'health', methods: ['GET'])]
    public function health(): JsonResponse
    {
        $this->database->fetchOne('SELECT 1');

        return new JsonResponse(['status' => 'ok', 'start' => (string) getenv('SITZPLATZ_STARTED')]);
    }
}
