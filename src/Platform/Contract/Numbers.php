<?php

declare(strict_types=1);

namespace App\Platform\Contract;

use App\Platform\Http\Problem;

/** The one place where numbers from outside are made what the rest expects: whole ones whole, and none beyond all numbers. */
final class Numbers
{
    /** Beyond it a double no longer tells one whole number from the next. */
    private const MOST_WHOLE = 2 ** 53;
    /** Nothing here is measured as large, and what is smaller is nothing: a square of either is still a number. */
    private const MOST = 1e12;
    private const LEAST = 1e-12;

    /**
     * The same data with 3.0 as 3.
     *
     * @throws Problem with its field if a number is too large to be held
     */
    public static function of(mixed $data, string $field = ''): mixed
    {
        if (\is_float($data)) {
            if (!(abs($data) <= self::MOST)) {
                throw Problem::invalid($field, 'This is beyond any number that can be reckoned with: enter a smaller one.');
            }

            if (abs($data) < self::LEAST) {
                return 0;
            }

            return abs($data) <= self::MOST_WHOLE && abs($data - round($data)) <= 0.0 ? (int) $data : $data;
        }
        if (\is_array($data) || $data instanceof \stdClass) {
            foreach ((array) $data as $name => $value) {
                $turned = self::of($value, '' === $field ? (string) $name : "$field.$name");
                if (\is_array($data)) {
                    $data[$name] = $turned;
                } else {
                    $data->$name = $turned;
                }
            }
        }

        return $data;
    }
}
