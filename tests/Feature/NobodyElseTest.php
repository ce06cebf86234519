<?php

declare(strict_types=1);

use App\Http\SafeHeaders;

/*
 * Pages of other origins, names of somebody else's, and requests that pretend to be others are kept out.
 */

it('takes bodies by their exact media type alone', function (string $type, int $status): void {
    $this->call('POST', '/api/jobs', [], [], [], ['CONTENT_TYPE' => $type], '{"name":"A job"}')->assertStatus($status);
})->with([
    ['application/json', 201], ['application/json; charset=utf-8', 201], ['APPLICATION/JSON', 201],
    ['text/plain; x=/json', 415],
    ['text/plain', 415],
    ['application/x-www-form-urlencoded', 415],
    ['multipart/form-data; boundary=/json', 415],
    ['text/json', 415], ['application/jsonp', 415], ['', 415],
]);

it('does nothing by another method than its own', function (array $query, array $headers): void {
    $job = demo();
    $this->call(
        'POST',
        $job.$query[0],
        [],
        [],
        [],
        ['CONTENT_TYPE' => 'application/json', ...$headers],
        '{}',
    )->assertStatus(405);
    $this->getJson($job)->assertOk();
})->with([[['?_method=DELETE'], []], [[''], ['HTTP_X_HTTP_METHOD_OVERRIDE' => 'DELETE']]]);

it('lets no page of another origin change anything', function (array $headers, int $status): void {
    $this->call(
        'POST',
        'http://127.0.0.1:8080/api/jobs',
        [],
        [],
        [],
        ['CONTENT_TYPE' => 'application/json', ...$headers],
        '{"name":"A job"}',
    )->assertStatus($status);
    // It may not read either, but that is for its browser to keep it from: answers say nothing of sharing.
    $this->call('GET', 'http://127.0.0.1:8080/api/jobs', [], [], [], $headers)
        ->assertOk()
        ->assertHeaderMissing('Access-Control-Allow-Origin');
})->with([
    'our own page' => [['HTTP_ORIGIN' => 'http://127.0.0.1:8080', 'HTTP_SEC_FETCH_SITE' => 'same-origin'], 201],
    'no browser' => [[], 201],
    'another site' => [['HTTP_ORIGIN' => 'http://elsewhere.example', 'HTTP_SEC_FETCH_SITE' => 'cross-site'], 403],
    'an old browser at another site' => [['HTTP_ORIGIN' => 'http://elsewhere.example'], 403],
    'a page that hides where it is from' => [['HTTP_ORIGIN' => 'null'], 403],
    'another port of this machine' => [
        ['HTTP_ORIGIN' => 'http://127.0.0.1:9999', 'HTTP_SEC_FETCH_SITE' => 'same-site'],
        403,
    ],
    'another scheme' => [['HTTP_ORIGIN' => 'https://127.0.0.1:8080'], 403],
]);

it('answers to its own names alone', function (string $host, int $status): void {
    $this->get('http://'.$host.'/api/jobs')->assertStatus($status);
})->with([
    ['127.0.0.1', 200], ['127.0.0.1:8080', 200], ['localhost:8123', 200], ['LOCALHOST', 200], ['[::1]:8080', 200],
    ['elsewhere.example', 421],
    ['127.0.0.1.elsewhere.example', 421],
    ['elsewhere.example:8080', 421],
    ['0.0.0.0', 421],
    ['localhost.', 421],
]);

it('answers to names that are added for it', function (): void {
    putenv('BOWLINE_HOSTS=chartroom.example, drawing-office');
    $this->get('http://drawing-office:8080/api/jobs')->assertOk();
    putenv('BOWLINE_HOSTS');
    $this->get('http://drawing-office:8080/api/jobs')->assertStatus(421);
});

it('says with every answer what a page may load and that nobody may frame it', function (
    string $address,
    int $status,
): void {
    $response = $this->get($address)->assertStatus($status);
    $response
        ->assertHeader('X-Content-Type-Options', 'nosniff')
        ->assertHeader('Referrer-Policy', 'no-referrer')
        ->assertHeaderMissing('X-Powered-By');
    expect($response->headers->get('Content-Security-Policy'))
        ->toContain("frame-ancestors 'none'")
        ->toContain("script-src 'self';")
        ->not->toContain('unsafe-eval');
})->with([['/', 200], ['/api/jobs', 200], ['/api/jobs/999', 404], ['/api/nothing', 404]]);

it('takes texts behind a question mark, empty ones too, and nothing else', function (string $query, int $status): void {
    $this->getJson('/api/catalogue?'.$query)->assertStatus($status);
})->with([
    ['', 200],
    ['find=&kind=', 200],
    ['find=316L&kind=tube', 200],
    ['find=%C3%A4', 200],
    ['find[]=1', 422],
    ['kind[a]=tube', 422],
    ['find=a%00b', 422],
    ['find=%00', 200],
    ['find=%ff', 422],
]);

it('lets only the worker of the CAD kernel make functions of text', function (string $path, bool $may): void {
    $policy = SafeHeaders::ofFile($path)['Content-Security-Policy'];
    expect(str_contains($policy, "'unsafe-eval'"))->toBe($may)
        ->and(str_contains($policy, '*'))->toBeFalse()
        ->and(SafeHeaders::ofFile($path)['X-Content-Type-Options'])->toBe('nosniff');
})->with([
    'the worker' => ['/build/assets/worker-DLsPQL3P.js', true],
    'the page’s script' => ['/build/assets/main-DLsPQL3P.js', false],
    'another folder' => ['/build/assets/x/worker-DLsPQL3P.js', false],
    'a file that only begins so' => ['/build/assets/worker-DLsPQL3P.js.map', false],
]);
