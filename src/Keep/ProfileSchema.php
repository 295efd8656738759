<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Contract\Sentences;
use Opis\JsonSchema\Validator;

/** The published schema of a profile document, docs/schemas/profile.schema.json. */
final readonly class ProfileSchema
{
    public function __construct(private string $projectDir)
    {
    }

    /** @return list<array{field: string, message: string}> */
    public function faults(mixed $document): array
    {
        $schema = json_decode((string) file_get_contents($this->projectDir.'/docs/schemas/profile.schema.json'), false, 64, \JSON_THROW_ON_ERROR);
        \assert($schema instanceof \stdClass);
        $value = json_decode(json_encode($document, \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
        $error = (new Validator(max_errors: 20, stop_at_first_error: false))->validate($value, $schema)->error();
        if (null === $error) {
            return [];
        }

        return array_map(
            static fn (array $fault): array => ['field' => rtrim('document.'.$fault['field'], '.'), 'message' => $fault['message']],
            Sentences::of($error),
        );
    }
}
