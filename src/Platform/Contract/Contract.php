<?php

declare(strict_types=1);

namespace App\Platform\Contract;

use App\Platform\Http\Problem;
use Opis\JsonSchema\Validator;
use Symfony\Component\Config\ConfigCache;
use Symfony\Component\Config\Resource\FileResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Yaml\Parser;

/** The written contract of the API, docs/openapi.yaml: what is sent is held against it before anything else happens. */
final class Contract
{
    private const DOCUMENT = 'sitzplatz:/openapi.json';
    /** Our own document; it writes what many operations share once. */
    private const MOST_ALIASES = 1_000;
    private const LARGEST_BODY_BYTES = 2_000_000;

    private ?\stdClass $document = null;

    public function __construct(
        private readonly string $projectDir,
        private readonly string $cacheDir,
        #[Autowire('%kernel.debug%')]
        private readonly bool $debug,
    ) {
    }

    /**
     * The body of a request, checked against the operation that the route is named after.
     *
     * @return array<string, mixed>
     *
     * @throws Problem with a field and a sentence for each fault
     */
    public function body(Request $request): array
    {
        if ('json' !== $request->getContentTypeFormat()) {
            throw Problem::invalid('', 'Send JSON, with the content type application/json.', 415);
        }
        $raw = $request->getContent();
        if (\strlen($raw) > self::LARGEST_BODY_BYTES) {
            throw Problem::invalid('', 'This is too large: send at most 2 MB at a time.', 413);
        }

        return $this->read($raw, (string) $request->attributes->get('_route'));
    }

    /**
     * A JSON text, checked against the request of an operation.
     *
     * @return array<string, mixed>
     *
     * @throws Problem with a field and a sentence for each fault
     */
    public function read(string $json, string $operationId): array
    {
        try {
            $data = Numbers::of(json_decode($json, false, 64, \JSON_THROW_ON_ERROR));
            $body = Numbers::of(json_decode($json, true, 64, \JSON_THROW_ON_ERROR));
        } catch (\JsonException $e) {
            throw Problem::invalid('', 'This is not readable as JSON: '.$e->getMessage().'.', 400, $e);
        }
        $request = $this->requests()[$operationId] ?? throw self::unknown($operationId);
        $excerpt = json_decode($request['excerpt'], false, 64, \JSON_THROW_ON_ERROR);
        \assert($excerpt instanceof \stdClass);
        $errors = self::faults($data, $excerpt, $request['pointer']);
        if ([] !== $errors) {
            throw Problem::faults($errors);
        }
        if (!\is_array($body)) {
            throw Problem::invalid('', 'Send a JSON object.');
        }

        /* @var array<string, mixed> $body */
        return $body;
    }

    /**
     * The faults of a value against the part of the document at a JSON pointer.
     *
     * @return list<array{field: string, message: string}>
     */
    public function errors(mixed $data, string $pointer): array
    {
        return self::faults($data, Excerpt::of($this->document(), $pointer), $pointer);
    }

    /** The JSON pointer of an operation. */
    public function operation(string $operationId): string
    {
        return self::operations($this->document())[$operationId] ?? throw self::unknown($operationId);
    }

    /** Whether an operation keeps a processor busy; what is none is not. */
    public function isCostly(string $operationId): bool
    {
        return isset($this->costly()[$operationId]);
    }

    public function document(): \stdClass
    {
        if (null !== $this->document) {
            return $this->document;
        }
        $document = json_decode(
            $this->cached('openapi', static fn (\stdClass $document): string => json_encode($document, \JSON_THROW_ON_ERROR)),
            false,
            64,
            \JSON_THROW_ON_ERROR,
        );
        \assert($document instanceof \stdClass);

        return $this->document = $document;
    }

    /** @return array<string, true> */
    private function costly(): array
    {
        return $this->cached('costly', static function (\stdClass $document): array {
            $costly = [];
            foreach (get_object_vars($document->paths) as $methods) {
                foreach (get_object_vars($methods) as $operation) {
                    if (true === ($operation->{'x-costly'} ?? false)) {
                        $costly[$operation->operationId] = true;
                    }
                }
            }

            return $costly;
        });
    }

    /** @return array<string, array{pointer: string, excerpt: string}> what the request of each operation is held against, by its name */
    private function requests(): array
    {
        return $this->cached('requests', static function (\stdClass $document): array {
            $requests = [];
            foreach (self::operations($document) as $operationId => $operation) {
                $pointer = $operation.'/requestBody/content/application~1json/schema';
                $requests[$operationId] = ['pointer' => $pointer, 'excerpt' => json_encode(Excerpt::of($document, $pointer), \JSON_THROW_ON_ERROR)];
            }

            return $requests;
        });
    }

    /**
     * @template T of string|array
     *
     * @param \Closure(\stdClass): T $make from the document
     *
     * @return T
     */
    private function cached(string $name, \Closure $make): mixed
    {
        $source = $this->projectDir.'/docs/openapi.yaml';
        $cache = new ConfigCache("$this->cacheDir/$name.php", $this->debug);
        if (!$cache->isFresh()) {
            $written = (new Parser(maxAliasesForCollections: self::MOST_ALIASES))->parseFile($source);
            $document = json_decode(json_encode($written, \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
            \assert($document instanceof \stdClass);
            $cache->write('<?php return '.var_export($make($document), true).';', [new FileResource($source)]);
        }

        return require $cache->getPath();
    }

    /** @return array<string, string> JSON pointers by operation */
    private static function operations(\stdClass $document): array
    {
        $pointers = [];
        foreach (get_object_vars($document->paths) as $path => $methods) {
            foreach (get_object_vars($methods) as $method => $operation) {
                $pointers[$operation->operationId] = '/paths/'.str_replace(['~', '/', '{', '}'], ['~0', '~1', '%7B', '%7D'], $path).'/'.$method;
            }
        }

        return $pointers;
    }

    /** @return list<array{field: string, message: string}> */
    private static function faults(mixed $data, \stdClass $excerpt, string $pointer): array
    {
        $validator = new Validator(max_errors: 20, stop_at_first_error: false);
        $validator->resolver()?->registerRaw($excerpt, self::DOCUMENT);
        $error = $validator->validate($data, (object) ['$ref' => self::DOCUMENT.'#'.$pointer])->error();

        return null === $error ? [] : Sentences::of($error);
    }

    private static function unknown(string $operationId): \LogicException
    {
        return new \LogicException(\sprintf('docs/openapi.yaml has no operation "%s".', $operationId));
    }
}
