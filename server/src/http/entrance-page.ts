/** The page that asks for the key: plain HTML, since all else is behind it. */

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The page; `keyFile` is where the key stands, on this computer. */
export const entrancePage = (keyFile: string, isWrong: boolean): string => `<!doctype html>
<html lang="en-GB">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Enter · Clever Drawer</title>
<link rel="stylesheet" href="/enter.css">
</head>
<body>
<main>
<h1>Clever Drawer</h1>
<form method="post" action="/enter">
<label for="key">Key</label>
<input id="key" name="key" type="password" required autofocus autocomplete="off"${isWrong ? ' aria-invalid="true" aria-describedby="wrong"' : ''}>
${isWrong ? '<p id="wrong" class="wrong" role="alert">That is not the key.</p>' : ''}
<button>Enter</button>
</form>
<p>The key is in the file <code>${escaped(keyFile)}</code> on this computer. Only its owner can read it.</p>
</main>
</body>
</html>
`;

/** Its style, in the colours of the application by day and at dusk. */
export const entranceStyle = `:root { color-scheme: light dark; }
body { margin: 0; background: #f3efe6; color: #1f2d33; font: 16px/1.5 system-ui, sans-serif; }
main { box-sizing: border-box; width: min(26rem, 100%); margin: 18vh auto 0; padding: 2rem; background: #fdfbf6; border: 1px solid #ddd5c5; border-bottom-width: 2px; border-radius: 8px; }
h1 { margin: 0 0 1rem; font: 600 1.5rem/1.2 Georgia, serif; }
label { display: block; font-weight: 600; }
input { box-sizing: border-box; width: 100%; margin: .25rem 0 .75rem; padding: .5rem; border: 1px solid #7b7568; border-radius: 4px; background: #fff; color: inherit; font: inherit; }
button { padding: .5rem 1.25rem; border: 0; border-radius: 4px; background: #1d7568; color: #fff; font: inherit; font-weight: 600; }
:focus-visible { outline: 2px solid #1d7568; outline-offset: 2px; }
p { margin: 1rem 0 0; color: #4a5a62; }
code { overflow-wrap: anywhere; }
.wrong { margin: 0 0 .75rem; color: #98392a; }
@media (prefers-color-scheme: dark) {
body { background: #182226; color: #ece6d8; }
main { background: #212d31; border-color: #33434a; }
input { background: #1c272b; border-color: #93a2a9; }
button { background: #57bfae; color: #121a1d; }
:focus-visible { outline-color: #57bfae; }
p { color: #a9b6ba; }
.wrong { color: #e5846c; }
}
`;
