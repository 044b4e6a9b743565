using System.Globalization;
using System.Text;
using System.Xml.Linq;
using Kalypto.Core.Designs;

namespace Kalypto.Drafts;

/// <summary>Makes drawings of an app as different people draw them, with the boxes of all that a designer would ship.</summary>
public sealed class LabelledDrawings
{
    // On a grid of 24, as strokes or fills: what common icons are made of.
    private static readonly string[][] Icons =
    [
        ["<path d='M12 3c-4 0-6 3-6 7v4l-2 3h16l-2-3v-4c0-4-2-7-6-7z'/>", "<path d='M10 17.5a2 2 0 0 0 4 0z'/>"],
        ["<path d='M3 6h18v4a2 2 0 0 0 0 4v4H3v-4a2 2 0 0 0 0-4z'/>"],
        ["<path d='M20 14A8.5 8.5 0 1 1 10 4a7 7 0 0 0 10 10z'/>"],
        ["<path d='M12 3l2.7 5.6 6.1.8-4.5 4.2 1.1 6.1L12 16.8l-5.4 2.9 1.1-6.1L3.2 9.4l6.1-.8z'/>"],
        ["<path d='M7 18a4 4 0 0 1 0-8 5.5 5.5 0 0 1 10.5 1A3.5 3.5 0 0 1 17 18z'/>"],
        ["<circle cx='10' cy='10' r='6' fill='none' stroke='#123' stroke-width='2'/>", "<path d='M14.5 14.5L21 21' fill='none' stroke='#123' stroke-width='2'/>"],
        ["<line x1='12' y1='4' x2='12' y2='20' stroke='#123' stroke-width='2'/>", "<line x1='4' y1='12' x2='20' y2='12' stroke='#123' stroke-width='2'/>"],
        ["<rect x='3' y='5' width='18' height='16' rx='2' fill='none' stroke='#123'/>", "<path d='M3 10h18' fill='none' stroke='#123'/>", "<rect x='7' y='13' width='3' height='3'/>", "<rect x='14' y='13' width='3' height='3'/>"],
        ["<path d='M12 20C5 15 3 11 3 8.5A4.5 4.5 0 0 1 12 7a4.5 4.5 0 0 1 9 1.5C21 11 19 15 12 20z'/>"],
        ["<path d='M12 2a7 7 0 0 0-7 7c0 5 7 13 7 13s7-8 7-13a7 7 0 0 0-7-7z'/>", "<circle cx='12' cy='9' r='2.5' fill='#fff'/>"],
        ["<circle cx='12' cy='8' r='4'/>", "<path d='M4 21c0-5 4-7 8-7s8 2 8 7z'/>"],
        ["<path d='M8 4l8 8-8 8' fill='none' stroke='#123' stroke-width='2'/>"],
    ];

    private const string Photo = "data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";
    private readonly StringBuilder svg = new();
    private readonly Style style;
    private readonly Random random;
    private readonly Stack<(double X, double Y)> origins = new();
    private int icon;
    private int clip;

    /// <summary>How somebody draws.</summary>
    /// <param name="Name">A name for failures.</param>
    /// <param name="Grouped">Things that belong together are groups.</param>
    /// <param name="Named">Groups have real names.</param>
    /// <param name="Wrap">Groups around each group.</param>
    /// <param name="Outlined">Texts are turned into outlines.</param>
    public sealed record Style(string Name, bool Grouped, bool Named, int Wrap, bool Outlined);

    public static IEnumerable<Style> Styles =>
    [
        new("flat groups", true, true, 0, false), new("deep nesting", true, true, 3, false), new("no names at all", true, false, 0, false),
        new("everything outlined", true, false, 1, true), new("one board without groups", false, false, 0, false),
    ];

    /// <summary>The boxes of all that a designer would ship, in pt.</summary>
    public List<Box> Shipped { get; } = [];

    /// <summary>The drawing.</summary>
    public string Svg { get; }

    public LabelledDrawings(Style style)
    {
        this.style = style;
        random = new(7);
        var screens = style.Grouped ? 4 : 6;
        for (var s = 0; s < screens; s++)
        {
            Screen(40 + s * 420, s);
        }
        Svg = $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {screens * 420 + 40} 900'>{svg}</svg>";
    }

    private void Screen(int x, int number) => Group("screen", x, 20, () =>
    {
        Raw("<rect width='375' height='812' fill='#eef'/>");
        Text(20, 60, 28, "Tonight");
        Icon(331, 40, 24);
        if (number % 2 == 0)
        {
            Ship(16, 84, 343, 160);
            Group("photo", 16, 84, () => Raw($"<image width='343' height='160' preserveAspectRatio='none' href='{Photo}'/>"));
        }
        else
        {
            Illustration(16, 84);
        }
        for (var row = 0; row < 6; row++)
        {
            Row(262 + row * 68, row % 3);
        }
        Group("button", 24, 678, () =>
        {
            Raw("<rect width='327' height='48' rx='24' fill='#c70'/>");
            Text(110, 30, 16, "Book a place");
        });
        Group("tabs", 0, 742, () =>
        {
            Raw("<rect width='375' height='70' fill='#dde'/><line x2='375' stroke='#aab'/>");
            for (var tab = 0; tab < 4; tab++)
            {
                Group("tab", 34 + tab * 90, 10, () =>
                {
                    Icon(4, 0, 24);
                    Text(0, 42, 10, "Visits");
                });
            }
        });
    });

    private void Row(double y, int sort) => Group("row", 16, y, () =>
    {
        Raw("<rect width='343' height='60' rx='12' fill='#fff'/>");
        Icon(16, 18, 24);
        Text(56, 26, 15, "Saturn at the lens");
        Text(56, 44, 11, "21:30, dome one");
        if (sort == 0)
        {
            Avatar(250, 14);
        }
        else if (sort == 1)
        {
            // A switch: made in code.
            Group("switch", 250, 16, () => Raw("<rect width='48' height='28' rx='14' fill='#9b9'/><circle cx='34' cy='14' r='12' fill='#fff'/>"));
        }
        Icon(308, 20, 20, chevron: true);
    });

    private void Icon(double x, double y, double size, bool chevron = false)
    {
        var parts = chevron ? Icons[^1] : Icons[icon++ % (Icons.Length - 1)];
        Ship(x, y, size, size);
        var scale = size / 24;
        Group(chevron ? "chevron" : "icon", x, y, () =>
        {
            foreach (var part in parts)
            {
                Raw(scale == 1 ? part : $"<g transform='scale({Number(scale)})'>{part}</g>");
            }
        });
    }

    private void Avatar(double x, double y)
    {
        Ship(x, y, 32, 32);
        var id = $"clip{clip++}";
        svg.Append(CultureInfo.InvariantCulture, $"<defs><clipPath id='{id}'><circle cx='16' cy='16' r='16'/></clipPath></defs>");
        Group("avatar", x, y, () => Raw($"<g clip-path='url(#{id})'><image width='32' height='32' href='{Photo}'/></g>"));
    }

    private void Illustration(double x, double y)
    {
        Ship(x, y, 343, 160);
        var shapes = new StringBuilder();
        for (var i = 0; i < 14; i++)
        {
            var (cx, cy, r) = (30 + random.Next(280), 40 + random.Next(80), 18 + random.Next(22));
            shapes.Append(CultureInfo.InvariantCulture, $"<path d='M{cx - r} {cy}C{cx - r} {cy - r} {cx + r} {cy - r} {cx + r} {cy}S{cx} {cy + r} {cx - r} {cy}Z' fill='#{random.Next(100, 999)}'/>");
        }
        // People put illustrations into a group even where they group nothing else.
        Raw($"<g transform='translate({Number(x)} {Number(y)})'>{shapes}<path d='M0 120C80 70 160 150 343 90V160H0Z' fill='#253'/><path d='M0 0C40 30 300 5 343 0V10H0Z' fill='#467'/></g>");
    }

    private void Text(double x, double y, double size, string words)
    {
        if (!style.Outlined)
        {
            Raw($"<text x='{Number(x)}' y='{Number(y)}' font-size='{Number(size)}' font-family='DejaVu Sans'>{words}</text>");
            return;
        }
        var d = new StringBuilder();
        var step = size * 0.58;
        for (var i = 0; i < words.Length; i++)
        {
            var (left, top, width, height) = (x + i * step, y - size * 0.7, step * 0.8, size * 0.7);
            d.Append(CultureInfo.InvariantCulture, $"M{left:0.##} {top:0.##}h{width:0.##}v{height:0.##}h{-width:0.##}z");
            if (i % 2 == 0)
            {
                d.Append(CultureInfo.InvariantCulture, $"M{left + width / 4:0.##} {top + height / 4:0.##}v{height / 2:0.##}h{width / 2:0.##}v{-height / 2:0.##}z");
            }
        }
        Raw($"<path d='{d}'/>");
    }

    private void Ship(double x, double y, double width, double height) => Shipped.Add(new(origins.Peek().X + x, origins.Peek().Y + y, width, height));

    private void Group(string name, double x, double y, Action inside)
    {
        var (left, top) = origins.Count > 0 ? origins.Peek() : (0, 0);
        origins.Push((left + x, top + y));
        if (style.Grouped)
        {
            svg.Append(CultureInfo.InvariantCulture, $"<g transform='translate({x} {y})'{(style.Named ? $" data-name='{name}'" : "")}>").Append(Repeated("<g>"));
        }
        inside();
        if (style.Grouped)
        {
            svg.Append("</g>").Append(Repeated("</g>"));
        }
        origins.Pop();

        string Repeated(string tag) => string.Concat(Enumerable.Repeat(tag, style.Wrap));
    }

    /// <summary>Elements where they are; without groups each stands on the board with a transform of its own.</summary>
    private void Raw(string elements)
    {
        if (style.Grouped)
        {
            svg.Append(elements);
            return;
        }
        var (x, y) = origins.Peek();
        var move = $"translate({Number(x)} {Number(y)})";
        foreach (var element in XElement.Parse($"<all>{elements}</all>").Elements())
        {
            element.SetAttributeValue("transform", $"{move} {element.Attribute("transform")?.Value}");
            svg.Append(element.ToString(SaveOptions.DisableFormatting));
        }
    }

    private static string Number(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);
}
