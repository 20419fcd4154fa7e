/** Documents that browsers read in ways one would not guess. What is right is what Chromium's own DOM says. */
export const NASTY: Record<string, string> = {
    'a canonical after text that ends the head': '<title>t</title>words<link rel=canonical href=/late><a href=/1>1</a>',
    'a canonical after an element that ends the head':
        '<head><title>t</title><div>x</div><link rel=canonical href=/late><meta name=robots content=noindex></head><a href=/1>1</a>',
    'head elements after head is closed':
        '<head><title>t</title></head><link rel=canonical href=/after><body><a href=/1>1</a>',
    'an image that ends the head': '<head><img src=x><meta name=robots content=noindex><title>late title</title>',
    'noscript in the head with an image':
        '<head><noscript><img src=x></noscript><link rel=canonical href=/still-head></head>',
    'noscript in the body': '<body><noscript><a href=/hidden>no</a></noscript><a href=/1>1</a>',
    'nested links': '<a href=/1>one <a href=/2>two</a> three</a>',
    'a link across paragraphs': '<p>a <a href=/1>one<p>two</a> three',
    'a link left open': '<div><a href=/1>one</div><div>two <b>three</div><p>four',
    'links in a table without cells': '<table><a href=/1>before</a><tr><td><a href=/2>in</a></td></tr>text</table>',
    'misnested formatting': '<b><i><a href=/1>x</b>y</i>z</a>',
    'a form in a form': '<form><a href=/1>1</a><form><a href=/2>2</a></form></form>',
    'comments that are odd':
        '<!--><a href=/1>1</a><!-- x --!><a href=/2>2</a><!- bogus ><a href=/3>3</a><? php ><a href=/4>4</a>',
    'a comment that never ends': '<a href=/1>1</a><!-- <a href=/2>2</a>',
    'a script with a comment in it': '<script><!-- <script> </script> --></script><a href=/1>1</a>',
    'a textarea and a title with tags': '<textarea><a href=/1>1</a></textarea><a href=/2>2</a>',
    'a title that is never closed': '<title>all of it <a href=/1>1</a>',
    'a template': '<template><a href=/1>1</a><h1>no</h1></template><a href=/2>2</a><h1>yes</h1>',
    'attributes without quotes and spaces':
        '<a href=/a"b>1</a><a href="/2"class=x>2</a><a href=/3/>3</a><a  href = \'/4\' >4</a>',
    'the same attribute twice': '<a href=/first href=/second>x</a>',
    'capital letters': '<A HREF="/1">1</A><H1>One</h1><LINK REL="CANONICAL" HREF="/c">',
    'references in an href': '<a href="/?a=1&amp;b=2&copy=3&copy;4&#x2F;x&notit;">x</a>',
    'references without a semicolon': '<a href="/?x=1&lt=2&lang=3&reg=4">x</a>',
    'tabs and line ends in an href': '<a href="\n /a\tb\r\nc ">x</a>',
    'a base that comes late, and a second one': '<a href=1>1</a><base href="/b/"><base href="/c/"><a href=2>2</a>',
    'a base that is empty, then a real one': '<base target=_top><base href="/real/"><a href=x>x</a>',
    'two bodies and two htmls': '<html lang=en><body class=a><html lang=de dir=ltr><body id=b><a href=/1>1</a>',
    'a frameset that is ignored': '<p>x<frameset><frame src=/f></frameset><a href=/1>1</a>',
    'svg with links and titles':
        '<svg><title>svg title</title><a href="/1"><text>one</text></a></svg><title>real</title>',
    'svg that is left by an html element': '<svg><g><p>out</p><a href=/1>1</a></svg>',
    'math with an annotation': '<math><annotation-xml encoding="text/html"><a href=/1>1</a></annotation-xml></math>',
    'an area in a map': '<map><area href=/1 alt=one><area href=/2></map>',
    'an end tag for br and p': '<a href=/1>a</br>b</p>c</a>',
    'a null character and a BOM inside': '<a href="/x\u0000y">a\ufeffb</a>',
    'a heading in a heading': '<h1>one <h2>two</h1><a href=/1>1</a>',
    'a plaintext that ends all': '<a href=/1>1</a><plaintext><a href=/2>2</a>',
    'a list item closing the one before': '<ul><li><a href=/1>1<li><a href=/2>2</ul>',
    'an option with a link outside a select': '<option><a href=/1>1</a></option>',
    'a dialog, details and a summary':
        '<details><summary><a href=/1>1</a></summary><dialog><a href=/2>2</a></dialog></details>',
    'a CDATA section in HTML and in SVG':
        '<![CDATA[<a href=/1>1</a>]]><svg><![CDATA[<a href=/2>2</a>]]></svg><a href=/3>3</a>',
    'a heading after a table that is closed by nothing': '<table><tr><td><h1>in</h1><a href=/1>1</a>',
    'deep nesting': `${'<div>'.repeat(400)}<a href=/deep>deep</a>`,
    'formatting opened a hundred times': `${'<b>'.repeat(100)}<p><a href=/1>1</a>`,
};
