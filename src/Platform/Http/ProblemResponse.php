<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\HttpFoundation\JsonResponse;

/** A problem as application/problem+json. */
final class ProblemResponse
{
    public static function of(Problem $problem): JsonResponse
    {
        return new JsonResponse([
            'type' => 'about:blank',
            'title' => $problem->title,
            'status' => $problem->status,
            'detail' => $problem->getMessage(),
            'errors' => $problem->errors,
            ...$problem->more,
        ], $problem->status, ['Content-Type' => 'application/problem+json', ...$problem->headers]);
    }
}
