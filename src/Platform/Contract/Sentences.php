<?php

declare(strict_types=1);

namespace App\Platform\Contract;

use Opis\JsonSchema\Errors\ValidationError;

/** Faults against a schema, each as a field and a sentence that tells what to do. */
final class Sentences
{
    /** @return list<array{field: string, message: string}> */
    public static function of(ValidationError $error): array
    {
        $found = [];
        self::collect($error, $found);

        return array_values($found);
    }

    /** @param array<string, array{field: string, message: string}> $found */
    private static function collect(ValidationError $error, array &$found): void
    {
        $keyword = $error->keyword();
        $meant = 'anyOf' === $keyword ? self::meant($error) : null;
        if (null !== $meant) {
            self::collect($meant, $found);

            return;
        }
        if ([] !== $error->subErrors() && !\in_array($keyword, ['oneOf', 'anyOf', 'not'], true)) {
            foreach ($error->subErrors() as $sub) {
                self::collect($sub, $found);
            }

            return;
        }
        $path = implode('.', array_map(strval(...), $error->data()->fullPath()));
        foreach (self::fields($keyword, $path, $error) as $field) {
            $message = '' === $error->data()->value()
                && 'pattern' === $keyword ? 'This is missing: choose or fill in.' : self::sentence($keyword, $error->args());
            $found[$field.$message] = ['field' => $field, 'message' => $message];
        }
    }

    /** Of a choice between a value and nothing, or between kinds of value, the one that was meant: the only one of the right type. */
    private static function meant(ValidationError $choice): ?ValidationError
    {
        $here = $choice->data()->fullPath();
        $meant = array_values(array_filter($choice->subErrors(), static function (ValidationError $error) use ($here): bool {
            while ('$ref' === $error->keyword() && [] !== $error->subErrors()) {
                $error = $error->subErrors()[0];
            }

            return 'type' !== $error->keyword() || $error->data()->fullPath() !== $here;
        }));

        return 1 === \count($meant) ? $meant[0] : null;
    }

    /** @return list<string> */
    private static function fields(string $keyword, string $path, ValidationError $error): array
    {
        $args = $error->args();
        $schema = $error->schema()->info()->data();
        // A known property that is faulty is reported as unknown, too.
        $known = $schema instanceof \stdClass && ($schema->properties ?? null) instanceof \stdClass ? array_keys(get_object_vars($schema->properties)) : [];
        $names = match ($keyword) {
            'required' => (array) ($args['missing'] ?? []),
            'additionalProperties' => array_diff((array) ($args['properties'] ?? []), $known),
            default => null,
        };
        if (null === $names) {
            return [$path];
        }

        return array_values(array_map(static fn (mixed $name): string => ltrim($path.'.'.(\is_scalar($name) ? (string) $name : ''), '.'), $names));
    }

    /** @param array<mixed> $args */
    private static function sentence(string $keyword, array $args): string
    {
        $text = static fn (string $name): string => \is_scalar($args[$name] ?? null) ? (string) $args[$name] : '';

        return match ($keyword) {
            'required' => 'This is missing: fill it in.',
            'additionalProperties' => 'This is not known here: leave it out.',
            'type' => \sprintf('This has to be %s.', self::type($args['expected'] ?? 'something else')),
            'minimum' => \sprintf('Enter %s or more.', $text('min')),
            'exclusiveMinimum' => \sprintf('Enter more than %s.', $text('min')),
            'maximum' => \sprintf('Enter %s or less.', $text('max')),
            'exclusiveMaximum' => \sprintf('Enter less than %s.', $text('max')),
            'minLength' => \sprintf('Write at least %s characters.', $text('min')),
            'maxLength' => \sprintf('Write at most %s characters.', $text('max')),
            'minItems' => \sprintf('Choose at least %s.', $text('min')),
            'maxItems' => \sprintf('Choose at most %s.', $text('max')),
            'enum' => 'This is not one of the choices.',
            'format' => \sprintf('This has to be a %s.', $text('format')),
            'pattern' => 'This is not in the right form.',
            default => 'This does not fit: check it.',
        };
    }

    private static function type(mixed $expected): string
    {
        $names = [
            'number' => 'a number',
            'integer' => 'a whole number',
            'string' => 'text',
            'boolean' => 'yes or no',
            'array' => 'a list',
            'object' => 'a set of fields',
            'null' => 'left empty',
        ];

        return implode(' or ', array_map(static fn (mixed $type): string => \is_string($type) ? ($names[$type] ?? $type) : '', (array) $expected));
    }
}
