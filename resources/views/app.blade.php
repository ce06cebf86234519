<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Bowline</title>
    <link rel="icon" href="/bowline.svg" type="image/svg+xml">
    @viteReactRefresh
    @vite(['resources/scss/app.scss', 'resources/js/main.tsx'])
</head>
<body>
    <div id="root"></div>
    <noscript>Bowline draws in the browser and needs JavaScript.</noscript>
</body>
</html>
