using System.Globalization;
using System.Text;

namespace Kalypto.Drafts;

/// <summary>Drawings of all that shapes can be made of, by chance: the same number gives the same drawing.</summary>
public sealed class AnyDrawing(int seed)
{
    private const int Side = 48;

    private const string Definitions = """
        <defs>
        <linearGradient id='across'><stop stop-color='#b8402a'/><stop offset='.5' stop-color='#f3d9a0' stop-opacity='.8'/><stop offset='1' stop-color='#173a45'/></linearGradient>
        <linearGradient id='placed' gradientUnits='userSpaceOnUse' x1='4' y1='4' x2='30' y2='40' gradientTransform='rotate(12)' spreadMethod='reflect'><stop offset='.1' stop-color='#2c6e54'/><stop offset='.9' stop-color='#a8690f'/></linearGradient>
        <radialGradient id='round' cx='.4' cy='.4' r='.7'><stop stop-color='#fff'/><stop offset='1' stop-color='#1c2a33' stop-opacity='.3'/></radialGradient>
        <linearGradient id='after' href='#placed' x2='44'/>
        <clipPath id='disc'><circle cx='24' cy='24' r='19'/></clipPath>
        <clipPath id='half' clipPathUnits='objectBoundingBox'><rect width='.6' height='1'/></clipPath>
        <mask id='fade' maskUnits='userSpaceOnUse' x='0' y='0' width='48' height='48'><rect width='48' height='48' fill='url(#across)'/></mask>
        <pattern id='dots' width='6' height='6' patternUnits='userSpaceOnUse' patternTransform='rotate(30)'><rect width='3' height='3' fill='#b8402a'/></pattern>
        <filter id='lift' x='-.3' y='-.3' width='1.6' height='1.6'><feGaussianBlur stdDeviation='1.2'/></filter>
        <path id='leaf' d='M0 0c6-8 14-8 20 0c-6 8-14 8-20 0z'/>
        </defs>
        <style>.ink{fill:#1c2a33;stroke:none}.line{fill:none;stroke:#2c6e54;stroke-width:1.5px}.soft{opacity:.6}#leaf{stroke-linejoin:round}</style>
        """;

    private static readonly string[] Paints = ["#b8402a", "rgb(44 110 84)", "gold", "none", "url(#across)", "url(#placed)", "url(#round)", "url(#after)", "url(#dots)", "currentColor", "hsl(30 60% 40%)", "#abc8"];
    private readonly Random random = new(seed);

    /// <summary>What stands inside the root; a group <c>x</c> holds all that is drawn.</summary>
    public string Inside()
    {
        var text = new StringBuilder(Definitions);
        text.Append(random.Next(2) == 0 ? "<g color='#52616b'>" : "<g color='#52616b' stroke='#173a45'>").Append("<g id='x'").Append(Style(inGroup: true)).Append('>');
        for (var n = random.Next(1, 5); n > 0; n--)
        {
            Node(text, 0);
        }
        return text.Append("</g></g>").ToString();
    }

    private void Node(StringBuilder text, int depth)
    {
        if (depth < 3 && random.Next(3) == 0)
        {
            text.Append("<g").Append(Transform()).Append(Style(inGroup: true)).Append('>');
            for (var n = random.Next(1, 4); n > 0; n--)
            {
                Node(text, depth + 1);
            }
            text.Append("</g>");
            return;
        }
        text.Append(Shape()).Append(Transform()).Append(Style(inGroup: false)).Append("/>");
    }

    private string Shape() => random.Next(9) switch
    {
        0 => $"<rect x='{N(30)}' y='{N(30)}' width='{N(20) + 1}' height='{N(20) + 1}'{(random.Next(2) == 0 ? $" rx='{N(6)}'" : "")}",
        1 => $"<circle cx='{N(Side)}' cy='{N(Side)}' r='{N(14)}'",
        2 => $"<ellipse cx='{N(Side)}' cy='{N(Side)}' rx='{N(14) + 1}' ry='{N(9) + 1}'",
        3 => $"<line x1='{N(Side)}' y1='{N(Side)}' x2='{N(Side)}' y2='{N(Side)}'",
        4 => $"<polygon points='{Points()}'",
        5 => $"<polyline points='{Points()}'",
        6 => $"<use href='#leaf' x='{N(24)}' y='{N(40)}'",
        _ => $"<path d='{Path()}'",
    };

    private string Points() => string.Join(' ', Enumerable.Range(0, random.Next(2, 6)).Select(_ => $"{N(Side)},{N(Side)}"));

    private string Path()
    {
        var path = new StringBuilder($"M{N(Side)} {N(Side)}l{S(9)} {S(9)}");
        for (var n = random.Next(1, 7); n > 0; n--)
        {
            path.Append(random.Next(10) switch
            {
                0 => $"l{S(20)} {S(20)}",
                1 => $"H{N(Side)}",
                2 => $"v{S(20)}",
                3 => $"c{S(9)} {S(9)} {S(20)} {S(20)} {S(20)} {S(20)}",
                4 => $"S{N(Side)} {N(Side)} {N(Side)} {N(Side)}",
                5 => $"q{S(12)} {S(12)} {S(20)} {S(20)}",
                6 => $"t{S(14)} {S(14)}",
                7 => $"a{N(12)} {N(9)} {random.Next(90)} {random.Next(2)} {random.Next(2)} {S(16)} {S(16)}",
                8 => "z",
                _ => $"m{S(9)} {S(9)}l{S(14)} {S(14)}",
            });
        }
        return path.ToString();
    }

    private string Transform() => random.Next(8) switch
    {
        0 => $" transform='translate({S(9)} {S(9)})'",
        1 => $" transform='rotate({S(90)} 24 24)'",
        2 => $" transform='scale({N(1) + .4m})'",
        3 => $" transform='translate({S(5)}) scale(1.2 .7)'",
        4 => $" transform='skewX({S(20)})'",
        5 => $" transform='matrix(.9 .1 -.2 1.1 {S(4)} {S(4)})'",
        _ => "",
    };

    private string Style(bool inGroup)
    {
        var attributes = new StringBuilder();
        void Maybe(int of, string name, params string[] values)
        {
            if (random.Next(of) == 0)
            {
                attributes.Append(CultureInfo.InvariantCulture, $" {name}='{values[random.Next(values.Length)]}'");
            }
        }
        Maybe(inGroup ? 3 : 2, "fill", Paints);
        Maybe(inGroup ? 5 : 3, "stroke", Paints);
        Maybe(4, "stroke-width", "2", ".5", "3.25");
        Maybe(8, "stroke-linecap", "round", "square");
        Maybe(8, "stroke-linejoin", "round", "bevel");
        Maybe(9, "stroke-dasharray", "3 2", "4");
        Maybe(8, "fill-rule", "evenodd");
        Maybe(6, "opacity", ".5", "0.8", "1");
        Maybe(8, "fill-opacity", ".5", "1");
        Maybe(9, "stroke-opacity", ".4");
        Maybe(9, "class", "ink", "line", "soft", "line soft");
        Maybe(12, "style", "stroke:#b8402a;fill-opacity:.7", "mix-blend-mode:multiply", "paint-order:stroke");
        // Of the box of a group renderers have different ideas.
        Maybe(10, "clip-path", inGroup ? ["url(#disc)"] : ["url(#disc)", "url(#half)"]);
        Maybe(14, "mask", "url(#fade)");
        Maybe(18, "filter", "url(#lift)");
        Maybe(16, "visibility", "hidden", "visible");
        Maybe(20, "display", "none");
        return attributes.ToString();
    }

    private decimal N(int most) => Math.Round((decimal)(random.NextDouble() * most), 2);

    private decimal S(int most) => Math.Round((decimal)((random.NextDouble() - .5) * 2 * most), 2);
}
