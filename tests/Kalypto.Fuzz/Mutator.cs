using System.Text;

namespace Kalypto.Fuzz;

/// <summary>Makes files that nobody would draw out of files that somebody drew: the same seed gives the same files.</summary>
/// <param name="corpus">The files to begin with.</param>
/// <param name="seed">The seed.</param>
public sealed class Mutator(IReadOnlyList<byte[]> corpus, int seed)
{
    private const int MostBytes = 400_000;

    // What readers have stumbled over, and what stands where numbers, names and addresses are expected.
    private static readonly string[] Words =
    [
        "url(#", "url(", ")", "(", "{", "}", "<![CDATA[", "]]>", "<!--", "<style>", "</style>", "@media all{", ":not(", ":is(", "calc(", "var(--a,", "--a:var(--a)", "<use href='#a'/>", "<g id='a'>", "</g>",
        "<svg viewBox='0 0 1e9 1e-9'>", "viewBox='0 0 NaN 1'", "transform='matrix(1e308 0 0 1e308 0 0)'", "transform='rotate(", "1e308", "-1e-308", "NaN", "Infinity", "0", "-0", "99999999999", "%", "\0", "\ud83c", "🌗", "&#x0;",
        "&amp;", "&a;", "<!DOCTYPE svg>", "<?xml version='1.1'?>", "xmlns:x='y'", "href='data:image/png;base64,", "href='#a'", "href='http://x/'", "<filter id='f'><feTurbulence numOctaves='99999'/></filter>", "filter='url(#f)'",
        "<mask id='m' mask='url(#m)'/>", "<pattern id='p' fill='url(#p)'/>", "<linearGradient id='l' href='#l'/>", "<clipPath id='c' clip-path='url(#c)'/>", "display:none", "d='M0 0", "a1 1 0 0 0 ", "stroke-dasharray='0 0 0'",
        "font-size='1e6'", "<text>", "</text>", "<title>", "</title>", "aria-label='", "'", "\"", "<view viewBox='0 0 9 9'/>", "!important", "stroke-width='-1'", "<image width='1e5' height='1e5' ",
    ];

    private static readonly string[] Wholes =
    [
        "<g id='a'><rect width='9' height='9'/></g>", "<use href='#a' x='4'/>", "<g transform='rotate(45) scale(0)'/>", "<text x='1' y='9'>Saturn<tspan dx='1 2 3'>s</tspan></text>", "<path d='M0 0l9 9z'/>", "<style>rect{fill:red}</style>",
        "<mask id='m'><rect width='9' height='9'/></mask>", "<filter id='f'><feGaussianBlur stdDeviation='9'/></filter>", "<svg x='0' y='0' width='50' height='50'><rect width='9' height='9'/></svg>", "<title>t</title>", "<view id='v' viewBox='0 0 9 9'/>",
        "<switch><g systemLanguage='xx'/><g/></switch>", "<symbol id='s' viewBox='0 0 9 9'><circle r='4'/></symbol>", "<linearGradient id='l'><stop offset='.5'/></linearGradient>", "<image width='9' height='9' href='data:image/png;base64,iVBORw0KGgo='/>",
    ];

    private static readonly string[] Values =
    [
        "0", "-1", "1e308", "-1e-300", "NaN", "url(#a)", "url(#f)", "url(#m)", "url(#l) red", "none", "#a", "rotate(9)", "matrix(0 0 0 0 0 0)", "M0 0a1 1 0 1 1 9 9z", "m1e9 1e9h1e9", "0 0 9 9", "inherit", "var(--a, red)", "rgb(1e9,0,0)", "oklch(0.5 9 9)",
        "fill:red;opacity:9", "100%", "5em", "🌗", "&#9731;", "1 2 3 4 5 6 7 8 9", ",,,", "M", "scale(1e-9)", "skewX(90)", "calc(1px + 2px)", "translate(1e9)",
    ];

    private readonly Random random = new(seed);

    /// <summary>The next file.</summary>
    public byte[] Next()
    {
        var file = corpus[random.Next(corpus.Count)];
        // Half of them stay well-formed, so that what comes after the reading of XML is tried too.
        var isGentle = random.Next(2) == 0;
        for (var rounds = random.Next(1, 5); rounds > 0; rounds--)
        {
            file = isGentle ? Gentle(file) : Change(file);
        }
        return file.Length > MostBytes ? file[..MostBytes] : file;
    }

    private byte[] Change(byte[] file) => random.Next(9) switch
    {
        0 => Flip(file),
        1 => Splice(file, Part(file), file.Length == 0 ? 0 : random.Next(file.Length)),
        2 => [.. file.AsSpan(0, random.Next(file.Length + 1))],
        3 => Without(file),
        4 => Splice(file, Encoding.UTF8.GetBytes(Word()), random.Next(file.Length + 1)),
        5 => Splice(file, Encoding.UTF8.GetBytes(Many()), Boundary(file)),
        6 => Splice(file, Part(corpus[random.Next(corpus.Count)]), Boundary(file)),
        7 => Splice(file, Part(file, 40, 800), Boundary(file), random.Next(2, 200)),
        _ => Number(file),
    };

    private byte[] Gentle(byte[] file) => random.Next(3) switch
    {
        0 => Splice(file, Encoding.UTF8.GetBytes(Wholes[random.Next(Wholes.Length)]), Boundary(file), random.Next(1, 30)),
        1 => Value(file, Values[random.Next(Values.Length)]),
        _ => Value(file, string.Concat(Enumerable.Repeat(Values[random.Next(Values.Length)], 1 << random.Next(1, 8)))),
    };

    /// <summary>Puts something in the place of the value of an attribute.</summary>
    private byte[] Value(byte[] file, string value)
    {
        var from = random.Next(file.Length + 1);
        var open = file.AsSpan(from).IndexOf("='"u8) is var single and >= 0 ? from + single + 2 : file.AsSpan(from).IndexOf("=\""u8) is var twice and >= 0 ? from + twice + 2 : -1;
        var length = open < 0 ? -1 : file.AsSpan(open).IndexOf(file[open - 1]);
        return length < 0 ? file : [.. file.AsSpan(0, open), .. Encoding.UTF8.GetBytes(value), .. file.AsSpan(open + length)];
    }

    private string Word() => Words[random.Next(Words.Length)];

    private string Many() => string.Concat(Enumerable.Repeat(Word(), 1 << random.Next(1, 13)));

    private byte[] Flip(byte[] file)
    {
        var copy = (byte[])file.Clone();
        for (var n = random.Next(1, 9); n > 0 && copy.Length > 0; n--)
        {
            copy[random.Next(copy.Length)] = (byte)random.Next(256);
        }
        return copy;
    }

    private byte[] Part(byte[] file, int least = 0, int most = 3000)
    {
        var length = Math.Min(file.Length, random.Next(least, most));
        var start = random.Next(file.Length - length + 1);
        return file[start..(start + length)];
    }

    private byte[] Without(byte[] file)
    {
        var length = random.Next(Math.Min(file.Length, 400) + 1);
        var start = random.Next(file.Length - length + 1);
        return [.. file.AsSpan(0, start), .. file.AsSpan(start + length)];
    }

    private static byte[] Splice(byte[] file, byte[] part, int at, int times = 1) =>
        [.. file.AsSpan(0, at), .. Enumerable.Repeat(part, Math.Min(times, Math.Max(1, MostBytes / Math.Max(1, part.Length)))).SelectMany(p => p), .. file.AsSpan(at)];

    /// <summary>Where a tag begins, so that what is put there is often read.</summary>
    private int Boundary(byte[] file)
    {
        var from = random.Next(file.Length + 1);
        var at = file.AsSpan(from).IndexOf((byte)'<');
        return at < 0 ? from : from + at;
    }

    private byte[] Number(byte[] file)
    {
        var from = random.Next(file.Length + 1);
        var at = file.AsSpan(from).IndexOfAnyInRange((byte)'0', (byte)'9');
        return at < 0 ? file : [.. file.AsSpan(0, from + at), .. Encoding.UTF8.GetBytes(Word()), .. file.AsSpan(from + at + 1)];
    }
}
