using System.Globalization;

namespace Kalypto.Drawing.Tests;

/// <summary>Whole screens as drawing programs write them out: each in one way of writing, with made-up content.</summary>
internal static class Exports
{
    private const string Photo = "data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAABAAAAAQCAIAAACQkWg2AAACWElEQVR42gXBUUqbQRAA4LnB3mBvsDfYG+wFyr70rWUf6pOUxVKoQjsUgqjIKKSIrQ7aoG1IxpiYNPpnkrjPe4O9Sb8PAIqBYqE4KB5KgBKhJCgZCkIhKAxFoCiUCqVBATDFmGLNqzOv3myD2UazSWaTzRrNmoyyUTErNatqumY6AFuMfbV26+zG23WwGu0q2S7bF7TPZJds/4ldqJ1X+9TsDMAV416t2zi39m4VXBfdc3LL7Bbo5uRm7KbiJuoeqhs3NwLwxfit9WvnV96/BL+MfpH8U/ZT9BPywn4kfqj+T/V3zQ8AQjFha4O60PmwDGERwyyFxxwEw4jCXw73EgYabmvgFq4AYjFxY+PKxWcfFyHOYpykOM5xiPGe4oDjjcRrjT9rvGixD5CKSRubOpeWPj2F9BjTOKVhTneYflNiTr8kXWjq13TW0ilALiavbX5xeeHzNGSJeZjyXc63mK8pX3L+Iflc82nNRy33ALAYXFt8djj3OAk4inif8HfGa8RLwj7jmeCJ4mHF7w2/AlAxpJaWjmaeJNDfSINEnOkSqU9ETMdCPSWsdNDoMwAXw2r5n+Op51Hg+8g3iX9l/oF8RnzM3BP+prxf+VPjjwBSjKysLJxMvAyDDKJcJ7nIco5yQtJj+SbyRWWvym6THQAtRldW504fvP4Jehv1Z9J+1lPUQ1Jk3RfdU92t+qHpe4BaTO1sfXJ17OtdqBzrRapnuR5h/U71gOsnqbtaP9T6rtW3AK2Y1tk2c23k2yC0q9j6qZ3m1sP2ldpnbh+l7Wh7X9vb1t78Bz3RjRDCqnLzAAAAAElFTkSuQmCC";

    /// <summary>The drawings by the way in which they are written.</summary>
    public static IReadOnlyDictionary<string, string> All { get; } = new Dictionary<string, string>
    {
        ["filters by box, clips for every frame"] = Screen($"""
            <defs><filter id="filter0_d" x="12" y="92" width="326" height="132" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB"><feFlood flood-opacity="0" result="B"/><feColorMatrix in="SourceAlpha" type="matrix" values="0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0" result="hardAlpha"/><feOffset dy="4"/><feGaussianBlur stdDeviation="6"/><feColorMatrix type="matrix" values="0 0 0 0 0.1 0 0 0 0 0.1 0 0 0 0 0.3 0 0 0 0.25 0"/><feBlend mode="normal" in2="B" result="shadow"/><feBlend mode="normal" in="SourceGraphic" in2="shadow" result="shape"/></filter>
            <pattern id="pattern0" patternContentUnits="objectBoundingBox" width="1" height="1"><use xlink:href="#image0" transform="scale(0.0625)"/></pattern><clipPath id="clip0"><rect width="360" height="240" fill="white"/></clipPath><linearGradient id="paint0_linear" x1="0" y1="0" x2="0" y2="240" gradientUnits="userSpaceOnUse"><stop stop-color="#1D2B53"/><stop offset="1" stop-color="#4C4D86"/></linearGradient><image id="image0" width="16" height="16" xlink:href="{Photo}"/></defs>
            <g clip-path="url(#clip0)"><rect width="360" height="240" fill="url(#paint0_linear)"/><g id="Card" filter="url(#filter0_d)"><rect x="24" y="100" width="302" height="108" rx="16" fill="white"/></g><rect id="Photo" x="36" y="112" width="84" height="84" rx="12" fill="url(#pattern0)"/>
            <path id="Star" fill-rule="evenodd" clip-rule="evenodd" d="M140 120L146 134H161L149 143L153 158L140 149L127 158L131 143L119 134H134L140 120Z" fill="#E5B45C"/><path id="Line" d="M36 40H324" stroke="white" stroke-opacity="0.4" stroke-width="2" stroke-linecap="round"/><text id="Title" fill="#1D2340" xml:space="preserve" style="white-space: pre" font-family="Inter" font-size="18" font-weight="600" letter-spacing="0em"><tspan x="176" y="142.545">Saturn tonight</tspan></text></g>
            """),
        ["classes and a switch around everything"] = Screen($$"""
            <style type="text/css"> .st0{fill:#141F44;} .st1{fill:none;stroke:#E5B45C;stroke-width:2;stroke-linecap:round;stroke-linejoin:round;stroke-miterlimit:10;} .st2{opacity:0.6;fill:#FFFFFF;} .st3{font-family:'Figtree';} .st4{font-size:22px;} .st5{clip-path:url(#SVGID_2_);}</style>
            <switch><foreignObject requiredExtensions="http://ns.example.org/graphs/" x="0" y="0" width="1" height="1"/><g><g id="Ground_1_"><rect class="st0" width="360" height="240"/></g><g id="Dome"><defs><rect id="SVGID_1_" x="60" y="60" width="120" height="120"/></defs><clipPath id="SVGID_2_"><use xlink:href="#SVGID_1_" style="overflow:visible;"/></clipPath><g class="st5"><circle class="st2" cx="120" cy="150" r="70"/><path class="st1" d="M60,150c0-33.1,26.9-60,60-60s60,26.9,60,60"/></g></g>
            <text transform="matrix(1 0 0 1 200 120)" class="st3 st4" fill="#FFFFFF">Visits</text><g id="Icon"><polyline class="st1" points="210,160 225,175 255,145 "/><line class="st1" x1="270" y1="160" x2="300" y2="160"/></g></g></switch>
            """),
        ["matrices, long numbers and inline styles"] = Screen("""
            <g transform="matrix(1.3333333,0,0,-1.3333333,0,240)"><g transform="scale(0.1)"><path d="M 0,0 H 2700 V 1800 H 0 Z" style="fill:#1d2b53;fill-opacity:1;fill-rule:nonzero;stroke:none"/><path d="m 300.12345,1200.98765 c 0,165.68542 134.31457,300 300,300 165.68542,0 300,-134.31458 300,-300 z" style="fill:#7bb4c4;fill-opacity:1;fill-rule:evenodd;stroke:none"/><g transform="translate(1200,900)"><path d="M 0,0 C 100,-150 400,-150 500,0 S 400,300 250,300 0,150 0,0 Z" style="fill:none;stroke:#e5b45c;stroke-width:25;stroke-linecap:butt;stroke-linejoin:miter;stroke-miterlimit:4;stroke-dasharray:none;stroke-opacity:1"/></g></g></g>
            """),
        ["layers with labels and hidden guides"] = Screen("""
            <defs><linearGradient id="linearGradient1"><stop style="stop-color:#ffd27a;stop-opacity:1" offset="0"/><stop style="stop-color:#c9711c;stop-opacity:1" offset="1"/></linearGradient><radialGradient xlink:href="#linearGradient1" id="radialGradient2" cx="50" cy="50" fx="50" fy="50" r="40" gradientTransform="matrix(1.2,0,0,0.8,-10,10)" gradientUnits="userSpaceOnUse"/></defs>
            <g data-name="Ground"><rect style="fill:#22305c" width="360" height="240"/></g><g data-name="Sun" transform="translate(40,40)"><circle style="fill:url(#radialGradient2);stroke:#fff;stroke-width:1.5;stroke-dasharray:6, 3" cx="50" cy="50" r="40"/></g><g data-name="guides" style="display:none"><path d="M0 0V240" stroke="red"/></g><g data-name="Words"><text xml:space="preserve" style="font-style:normal;font-weight:700;font-size:24px;line-height:1.25;font-family:Lato;fill:#ffffff" x="150" y="90"><tspan x="150" y="90">A morning</tspan><tspan x="150" y="120">with the sun</tspan></text></g>
            """),
        ["symbols, repeats and masks"] = Screen("""
            <symbol id="star" viewBox="0 0 24 24"><path d="M12 2l3 7h7l-5.500 4.500 2 7.500-6.500-4.500-6.500 4.500 2-7.500L2 9h7z"/></symbol><mask id="path-1" fill="white"><path d="M40 60h120v120H40z"/></mask><mask id="m2" style="mask-type:alpha" maskUnits="userSpaceOnUse" x="180" y="60" width="140" height="140"><circle cx="250" cy="130" r="60" fill="#D9D9D9"/></mask>
            <rect width="360" height="240" fill="#F3E9D2"/><use href="#star" x="20" y="10" width="30" height="30" fill="#C9711C"/><use href="#star" x="60" y="10" width="24" height="24" fill="#1D2B53"/><path id="frame" d="M40 60h120v120H40z" stroke="#1D2B53" stroke-width="8" mask="url(#path-1)" fill="#fff"/><g id="planet" mask="url(#m2)"><rect x="180" y="60" width="140" height="140" fill="#4C4D86"/><path d="M180 120q70 40 140-10v30q-70 40-140 10z" fill="#E5B45C"/></g>
            """),
        ["a page of its own with foreign words"] = Screen("""
            <rect width="360" height="240" fill="#fff"/><foreignObject x="20" y="20" width="200" height="80"><div xmlns="http://www.w3.org/1999/xhtml" style="font:600 20px/1.3 Figtree;color:#1d2b53">Open <span style="background:linear-gradient(90deg,#fc6,#f96);border-radius:6px;padding:0 6px">late</span> this week</div></foreignObject><g id="Chart"><rect x="40" y="150" width="20" height="50" fill="#4C4D86"/><rect x="70" y="120" width="20" height="80" fill="#4C4D86"/><rect x="100" y="170" width="20" height="30" fill="#E5B45C"/><path d="M30 200H140" stroke="#1d2340"/></g><g id="Badge" style="filter:drop-shadow(0 3px 4px rgba(0,0,0,.4))"><circle cx="260" cy="140" r="40" fill="#C9711C"/></g>
            """),
        ["variables, nesting and modern colours"] = Screen("""
            <style>:root{--ink:oklch(30% .08 270);--gold:#e5b45c} .card{fill:color-mix(in oklab, var(--gold) 30%, white);stroke:var(--ink);stroke-width:2} g.row{&amp; circle{fill:var(--gold)} &amp; circle:nth-child(2){fill:var(--ink)}} @media (min-width:1px){.note{fill:var(--ink)}}</style>
            <rect class="card" x="10" y="10" width="340" height="220" rx="20"/><g class="row" id="Row"><circle cx="70" cy="70" r="24"/><circle cx="140" cy="70" r="24"/><circle cx="210" cy="70" r="24"/></g><path class="note" id="Note" d="M40 130h200v14H40zM40 160h140v14H40z"/>
            """),
        ["turned, blended and half seen"] = Screen("""
            <rect width="360" height="240" fill="#1D2B53"/><g opacity="0.85" transform="rotate(-12 180 120)"><rect x="80" y="60" width="120" height="80" rx="8" fill="#7BB4C4"/><rect x="140" y="90" width="120" height="80" rx="8" fill="#E5B45C" style="mix-blend-mode:multiply"/></g><g style="isolation:isolate"><circle cx="300" cy="60" r="30" fill="#C9711C"/><circle cx="320" cy="80" r="30" fill="#4C4D86" style="mix-blend-mode:screen"/></g><rect x="30" y="180" width="100" height="30" rx="15" fill="white" fill-opacity="0.12" stroke="white" stroke-opacity="0.5"/>
            """),
        ["icons on one board"] = Screen(string.Concat(Enumerable.Range(0, 24).Select(i => string.Create(CultureInfo.InvariantCulture,
            $"<g id=\"icon-{i}\" transform=\"translate({10 + i % 8 * 43} {20 + i / 8 * 70})\"><path d=\"M{2 + i % 5} 12h{10 + i % 4}M12 {2 + i % 3}v{14 + i % 6}\" fill=\"none\" stroke=\"#1d2340\" stroke-width=\"{1 + i % 3 * 0.5}\" stroke-linecap=\"round\"/><circle cx=\"12\" cy=\"12\" r=\"{9 + i % 3}\" fill=\"none\" stroke=\"#1d2340\" stroke-width=\"1.5\"/></g>")))),
    };

    private static string Screen(string inside) => $"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' width='360' height='240' viewBox='0 0 360 240'>{inside}</svg>";
}
