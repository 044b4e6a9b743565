using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;

namespace Kalypto.Drafts;

/// <summary>Screens as drawing programs write them out: five layouts in four ways of writing, with the boxes of all that a designer would ship.</summary>
public sealed class ExportedScreens
{
    // On a grid of 24: where it begins, and the rest from there on; "-" before a stroke.
    private static readonly (double X, double Y, string Line)[][] Icons =
    [
        [(12, 3, "c-4 0-6 3-6 7v4l-2 3h16l-2-3v-4c0-4-2-7-6-7z"), (10, 17.5, "a2 2 0 0 0 4 0z")],
        [(3, 6, "h18v4a2 2 0 0 0 0 4v4h-18v-4a2 2 0 0 0 0-4z")],
        [(20, 14, "a8.5 8.5 0 1 1-10-10a7 7 0 0 0 10 10z")],
        [(12, 3, "l2.7 5.6 6.1.8-4.500 4.200 1.100 6.100-5.400-2.900-5.400 2.900 1.100-6.100-4.500-4.200 6.200-.8z")],
        [(7, 18, "a4 4 0 0 1 0-8a5.500 5.500 0 0 1 10.500 1a3.500 3.500 0 0 1-.5 7z")],
        [(10, 4, "-a6 6 0 1 0 0 12a6 6 0 0 0 0-12z"), (14.5, 14.5, "-l6.500 6.500")],
        [(12, 4, "-v16"), (4, 12, "-h16")],
        [(12, 20, "c-7-5-9-9-9-11.500a4.500 4.500 0 0 1 9-1.500a4.500 4.500 0 0 1 9 1.500c0 2.500-2 6.500-9 11.500z")],
        [(12, 2, "a7 7 0 0 0-7 7c0 5 7 13 7 13s7-8 7-13a7 7 0 0 0-7-7z")],
        [(12, 4, "a4 4 0 1 0 0 8a4 4 0 0 0 0-8z"), (4, 21, "c0-5 4-7 8-7s8 2 8 7z")],
    ];

    private static readonly (double X, double Y, string Line)[] Chevron = [(9, 5, "-l7 7l-7 7")];
    private const string Photo = "data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";
    private readonly StringBuilder body = new();
    private readonly StringBuilder definitions = new();
    private readonly Random random = new(11);
    private readonly Writing writing;
    private int number;
    private int icon;

    /// <summary>How a program writes.</summary>
    public enum Writing
    {
        /// <summary>Every frame clipped, numbers where they are on the board, photos in patterns, layers called Vector and Group 7.</summary>
        Frames,

        /// <summary>Classes, a switch around everything, ids with numbers behind, photos scaled by a matrix.</summary>
        Classes,

        /// <summary>Everything a path in nested matrices, ids of its own making, words as outlines.</summary>
        Matrices,

        /// <summary>Symbols and their repeats, names beside ids, photos behind masks.</summary>
        Symbols,
    }

    /// <summary>All of them.</summary>
    public static IEnumerable<(string Layout, Writing Writing)> All => new[] { "feed", "dashboard", "welcome", "landing", "settings" }.SelectMany(l => Enum.GetValues<Writing>().Select(w => (l, w)));

    /// <summary>The boxes of all that a designer would ship, in pt.</summary>
    public List<Box> Shipped { get; } = [];

    /// <summary>The drawing.</summary>
    public string Svg { get; }

    /// <summary>Makes one.</summary>
    public ExportedScreens(string layout, Writing writing)
    {
        this.writing = writing;
        var (width, height) = layout == "landing" ? (1440, 1200) : (375, 812);
        Frame(layout, 0, 0, width, height, () =>
        {
            Rect(0, 0, width, height, 0, "#f6f4ef");
            switch (layout)
            {
                case "feed": Feed(); break;
                case "dashboard": Dashboard(); break;
                case "welcome": Welcome(); break;
                case "landing": Landing(); break;
                default: Settings(); break;
            }
        });
        var style = writing == Writing.Classes ? "<style type='text/css'>.st0{fill:#1d2340;}.st1{fill:none;stroke:#1d2340;stroke-width:1.5;}.st2{fill:#c9711c;}</style>" : "";
        var inside = writing == Writing.Classes ? $"<switch><g>{body}</g></switch>" : body.ToString();
        Svg = $"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' width='{width}' height='{height}' viewBox='0 0 {width} {height}' fill='none'>{style}{inside}<defs>{definitions}</defs></svg>";
    }

    private void Feed()
    {
        Text(20, 56, 24, "Tonight");
        Icon("bell", 331, 36, 24);
        for (var card = 0; card < 3; card++)
        {
            var y = 84 + card * 216;
            Frame("Card", 16, y, 343, 200, () =>
            {
                Rect(16, y, 343, 200, 12, "#fff");
                Picture("Photo", 16, y, 343, 130, card == 0 ? 12 : 0);
                Text(32, y + 156, 16, "The rings of Saturn");
                Text(32, y + 178, 12, "21:30 in dome one");
                Icon("heart", 287, y + 146, 20);
                Icon("share", 323, y + 146, 20);
            });
        }
        Tabs();
    }

    private void Dashboard()
    {
        for (var stat = 0; stat < 2; stat++)
        {
            var x = 16 + stat * 178;
            Frame("Stat", x, 60, 165, 80, () =>
            {
                Rect(x, 60, 165, 80, 12, "#fff");
                Icon("stat icon", x + 12, 72, 24);
                Text(x + 44, 90, 14, "Visitors");
                Text(x + 12, 126, 22, "1,204");
            });
        }
        // Built in code: its numbers change.
        Group("Bar chart", () =>
        {
            Rect(16, 156, 343, 150, 12, "#fff");
            Line(32, 280, 343, 280);
            for (var bar = 0; bar < 8; bar++)
            {
                var high = 30 + random.Next(70);
                Rect(40 + bar * 38, 280 - high, 20, high, 4, "#4c4d86");
                Text(40 + bar * 38, 294, 9, "Mo");
            }
        });
        Group("Line chart", () =>
        {
            Rect(16, 320, 343, 120, 12, "#fff");
            for (var line = 0; line < 4; line++)
            {
                Line(32, 340 + line * 26, 343, 340 + line * 26);
            }
            Path(32, 400, "c30-40 50 10 80-20s40-30 70-10s50 30 80-20s40-10 80-5", "none", "#c9711c");
        });
        Group("Donut", () =>
        {
            Path(70, 470, "a40 40 0 0 1 38 52l-19-6a20 20 0 0 0-19-26z", "#4c4d86");
            Path(108, 522, "a40 40 0 0 1-76 0l19-6a20 20 0 0 0 38 0z", "#c9711c");
            Path(32, 522, "a40 40 0 0 1 38-52v20a20 20 0 0 0-19 26z", "#7bb4c4");
        });
        Text(130, 500, 12, "Seats");
        Text(130, 520, 12, "Standing");
        Map(16, 570, 343, 150);
        Tabs();
    }

    private void Welcome()
    {
        Illustration(37, 90, 300, 280, 300);
        Text(60, 430, 26, "See the sky tonight");
        Text(60, 470, 15, "Book a place at the telescope");
        for (var dot = 0; dot < 3; dot++)
        {
            Disc(167 + dot * 20, 520, 4, dot == 0 ? "#c9711c" : "#ddd6c4");
        }
        Frame("Button", 24, 700, 327, 52, () =>
        {
            Rect(24, 700, 327, 52, 26, "#c9711c");
            Text(140, 732, 17, "Begin");
        });
    }

    private void Landing()
    {
        Logo(80, 32);
        Text(1000, 58, 16, "Visits");
        Text(1100, 58, 16, "Exhibitions");
        Picture("Hero", 0, 96, 1440, 480, 0);
        Text(80, 300, 56, "A night at the dome");
        for (var feature = 0; feature < 3; feature++)
        {
            var x = 80 + feature * 440;
            Frame("Feature", x, 640, 400, 160, () =>
            {
                Icon("feature icon", x, 640, 48);
                Text(x, 730, 22, "Guided tours");
                Text(x, 762, 15, "Every clear evening from May on");
            });
        }
        Illustration(80, 840, 500, 260, 40);
        Map(700, 840, 660, 260);
        Rect(0, 1130, 1440, 70, 0, "#1d2340");
        for (var link = 0; link < 4; link++)
        {
            Icon("social", 1200 + link * 44, 1152, 24);
        }
    }

    private void Settings()
    {
        Picture("Avatar", 20, 60, 64, 64, 32);
        Text(100, 90, 20, "Ada Wren");
        for (var row = 0; row < 9; row++)
        {
            var y = 150 + row * 60;
            var isSwitch = row % 3 == 1;
            Frame("Row", 0, y, 375, 60, () =>
            {
                Icon("row icon", 20, y + 18, 24);
                Text(60, y + 35, 16, "Notifications");
                if (isSwitch)
                {
                    Group("Switch", () =>
                    {
                        Rect(304, y + 16, 51, 28, 14, "#2c6e54");
                        Disc(341, y + 30, 12, "#fff");
                    });
                }
                else
                {
                    Icon("chevron", 335, y + 20, 20, Chevron);
                }
                Line(60, y + 60, 375, y + 60);
            });
        }
        Tabs();
    }

    private void Tabs() => Frame("Tab bar", 0, 742, 375, 70, () =>
    {
        Rect(0, 742, 375, 70, 0, "#fff");
        Line(0, 742, 375, 742);
        for (var tab = 0; tab < 4; tab++)
        {
            var x = 34 + tab * 90;
            Group("Tab", () =>
            {
                Icon("tab icon", x + 4, 752, 24);
                Text(x, 794, 10, "Visits");
            });
        }
    });

    private void Illustration(double x, double y, double width, double height, int shards)
    {
        Shipped.Add(new(x, y, width, height));
        // Not everybody puts the pieces of a picture into a group.
        Action<string, Action> group = writing == Writing.Matrices && shards > 100 ? (_, inside) => inside() : Group;
        group("Illustration", () =>
        {
            Path(x, y + height, $"c{Number(width * 0.2)}-60 {Number(width * 0.6)}-100 {Number(width)}-40v40z", "#253");
            for (var i = 0; i < shards; i++)
            {
                var (w, h) = (8 + random.Next(24), 8 + random.Next(24));
                var (left, top) = (x + random.NextDouble() * (width - w), y + random.NextDouble() * (height - h));
                Path(left, top + h / 2.0, $"c0-{h / 2} {w}-{h / 2} {w} 0s-{w / 2} {h / 2}-{w} 0z", $"#{random.Next(100, 999)}");
            }
            Path(x, y, $"c30 20 {Number(width - 60)} 10 {Number(width)} 0v6h-{Number(width)}z", "#467");
        });
    }

    private void Map(double x, double y, double width, double height)
    {
        Shipped.Add(new(x, y, width, height));
        Group("Map", () =>
        {
            Rect(x, y, width, height, 0, "#e8efe2");
            Path(x, y + height * 0.6, $"c{Number(width / 3)}-40 {Number(width / 2)} 60 {Number(width)} 0v30c-{Number(width / 2)} 50-{Number(width / 2)}-50-{Number(width)} 0z", "#a9cbd6");
            for (var street = 0; street < 9; street++)
            {
                Path(x + random.NextDouble() * width * 0.5, y + random.NextDouble() * height * 0.8, $"l{random.Next(40, (int)(width / 2))} {random.Next(5, (int)(height * 0.2))}", "none", "#fff");
                Path(x + random.NextDouble() * width * 0.8, y, $"l{random.Next(5, 40)} {Number(height)}", "none", "#fff");
            }
            for (var block = 0; block < 12; block++)
            {
                Path(x + random.NextDouble() * (width - 40), y + random.NextDouble() * (height - 30), "l30 4l-4 20l-28-6z", "#d5d9c8");
            }
        });
    }

    private void Logo(double x, double y)
    {
        Shipped.Add(new(x, y, 140, 32));
        Group("Logo", () =>
        {
            Path(x, y + 16, "a16 16 0 0 1 32 0z", "#1d2340");
            for (var letter = 0; letter < 8; letter++)
            {
                Path(x + 44 + letter * 12, y + 8, "h3v13h6v3h-9z", "#1d2340");
            }
        });
    }

    private void Icon(string name, double x, double y, double size, (double X, double Y, string Line)[]? drawing = null)
    {
        var parts = drawing ?? Icons[icon++ % Icons.Length];
        // Ink of an arrow does not fill its grid by far.
        Shipped.Add(drawing is null ? new(x, y, size, size) : new(x + 0.3 * size, y + 0.15 * size, 0.5 * size, 0.7 * size));
        var scale = size / 24;
        if (writing == Writing.Symbols)
        {
            var id = $"icon-{number++}";
            definitions.Append(CultureInfo.InvariantCulture, $"<symbol id='{id}' viewBox='0 0 24 24'>{string.Concat(parts.Select(p => Element(p.X, p.Y, p.Line)))}</symbol>");
            body.Append(CultureInfo.InvariantCulture, $"<use data-name='{name}' href='#{id}' x='{Number(x)}' y='{Number(y)}' width='{Number(size)}' height='{Number(size)}'/>");
            return;
        }
        Frame(name, x, y, size, size, () =>
        {
            foreach (var (left, top, rest) in parts)
            {
                if (scale == 1)
                {
                    body.Append(Element(x + left, y + top, rest));
                }
                else
                {
                    body.Append(CultureInfo.InvariantCulture, $"<g transform='matrix({Number(scale)} 0 0 {Number(scale)} {Number(x)} {Number(y)})'>{Element(left, top, rest)}</g>");
                }
            }
        });
    }

    private string Element(double x, double y, string rest) => rest.StartsWith('-')
        ? $"<path {Id("Vector")} d='M{Number(x)} {Number(y)}{rest[1..]}' {(writing == Writing.Classes ? "class='st1'" : "stroke='#1D2340' stroke-width='1.5' fill='none'")}/>"
        : $"<path {Id("Vector")} d='M{Number(x)} {Number(y)}{rest}' {(writing == Writing.Classes ? "class='st0'" : writing == Writing.Matrices ? "style='fill:#1d2340;fill-opacity:1'" : "fill='#1D2340'")}/>";

    private void Picture(string name, double x, double y, double width, double height, double round)
    {
        Shipped.Add(new(x, y, width, height));
        var id = $"p{number++}";
        var place = $"x='{Number(x)}' y='{Number(y)}' width='{Number(width)}' height='{Number(height)}'";
        var shape = $"<rect {place} rx='{Number(round)}' fill='white'/>";
        switch (writing)
        {
            case Writing.Frames:
                definitions.Append(CultureInfo.InvariantCulture, $"<pattern id='pattern{id}' patternContentUnits='objectBoundingBox' width='1' height='1'><use xlink:href='#image{id}' transform='scale(0.01)'/></pattern><image id='image{id}' width='100' height='100' preserveAspectRatio='none' xlink:href='{Photo}'/>");
                body.Append(CultureInfo.InvariantCulture, $"<rect {Id(name)} {place} rx='{Number(round)}' fill='url(#pattern{id})'/>");
                break;
            case Writing.Symbols:
                definitions.Append(CultureInfo.InvariantCulture, $"<mask id='mask{id}' maskUnits='userSpaceOnUse' {place}>{shape}</mask>");
                body.Append(CultureInfo.InvariantCulture, $"<g data-name='{name}' mask='url(#mask{id})'><image {place} preserveAspectRatio='none' href='{Photo}'/></g>");
                break;
            case Writing.Classes:
                body.Append(CultureInfo.InvariantCulture, $"<g><defs><rect id='SVGID_{id}_' {place} rx='{Number(round)}'/></defs><clipPath id='C{id}'><use xlink:href='#SVGID_{id}_' style='overflow:visible;'/></clipPath><g style='clip-path:url(#C{id});'><image width='100' height='100' preserveAspectRatio='none' {Id(name)} xlink:href='{Photo}' transform='matrix({Number(width / 100)} 0 0 {Number(height / 100)} {Number(x)} {Number(y)})'/></g></g>");
                break;
            default:
                definitions.Append(CultureInfo.InvariantCulture, $"<clipPath id='clipPath{id}'>{shape}</clipPath>");
                body.Append(CultureInfo.InvariantCulture, $"<g id='g{number++}' clip-path='url(#clipPath{id})'><g transform='matrix({Number(width)},0,0,{Number(height)},{Number(x)},{Number(y)})'><image width='1' height='1' preserveAspectRatio='none' xlink:href='{Photo}'/></g></g>");
                break;
        }
    }

    private void Frame(string name, double x, double y, double width, double height, Action inside)
    {
        if (writing != Writing.Frames)
        {
            Group(name, inside);
            return;
        }
        var id = $"clip{number++}";
        definitions.Append(CultureInfo.InvariantCulture, $"<clipPath id='{id}'><rect width='{Number(width)}' height='{Number(height)}' fill='white' transform='translate({Number(x)} {Number(y)})'/></clipPath>");
        body.Append(CultureInfo.InvariantCulture, $"<g {Id(name)} clip-path='url(#{id})'>");
        inside();
        body.Append("</g>");
    }

    private void Group(string name, Action inside)
    {
        body.Append(CultureInfo.InvariantCulture, $"<g {Id(name)}>{(writing == Writing.Matrices ? "<g transform='matrix(1,0,0,1,0,0)'>" : "")}");
        inside();
        body.Append(writing == Writing.Matrices ? "</g></g>" : "</g>");
    }

    private string Id(string name) => writing switch
    {
        Writing.Frames => $"id='{(number % 3 == 0 ? $"Group {number++}" : $"{name}{(number++ % 2 == 0 ? "" : $"_{number}")}")}'",
        Writing.Classes => $"id='{name.Replace(' ', '_')}_{number++}_'",
        Writing.Matrices => $"id='g{1000 + number++}'",
        _ => $"id='x{number++}' data-name='{name}'",
    };

    private void Rect(double x, double y, double width, double height, double round, string fill) => body.Append(writing == Writing.Matrices && round == 0
        ? $"<path id='path{number++}' d='m {Number(x)},{Number(y)} h {Number(width)} v {Number(height)} H {Number(x)} Z' style='fill:{fill};stroke:none'/>"
        : $"<rect x='{Number(x)}' y='{Number(y)}' width='{Number(width)}' height='{Number(height)}' rx='{Number(round)}' fill='{fill}'/>");

    private void Disc(double x, double y, double radius, string fill) => body.Append(CultureInfo.InvariantCulture, $"<circle cx='{Number(x)}' cy='{Number(y)}' r='{Number(radius)}' fill='{fill}'/>");

    private void Line(double x, double y, double toX, double toY) => body.Append(writing == Writing.Classes
        ? $"<line class='st1' x1='{Number(x)}' y1='{Number(y)}' x2='{Number(toX)}' y2='{Number(toY)}'/>" : $"<path d='M{Number(x)} {Number(y)}H{Number(toX)}' stroke='#ddd6c4'/>");

    private void Path(double x, double y, string rest, string fill, string? stroke = null) => body.Append(CultureInfo.InvariantCulture,
        $"<path {Id("Vector")} d='M{Number(x)} {Number(y)}{rest}' fill='{fill}'{(stroke is null ? "" : $" stroke='{stroke}' stroke-width='3'")}/>");

    private void Text(double x, double y, double size, string words)
    {
        if (writing != Writing.Matrices)
        {
            body.Append(CultureInfo.InvariantCulture, $"<text fill='#1d2340' xml:space='preserve' font-family='Inter' font-size='{Number(size)}'><tspan x='{Number(x)}' y='{Number(y)}'>{words}</tspan></text>");
            return;
        }
        var d = new StringBuilder();
        var step = size * 0.58;
        for (var i = 0; i < words.Length; i++)
        {
            var (left, top, width, height) = (x + i * step, y - size * 0.7, step * 0.8, size * 0.7);
            d.Append(CultureInfo.InvariantCulture, $"M{left:0.##} {top:0.##}h{width:0.##}c0 {height / 2:0.##} -1 {height / 2:0.##} 0 {height:0.##}h{-width:0.##}z");
        }
        body.Append(CultureInfo.InvariantCulture, $"<g id='text{number++}'><path id='path{number++}' d='{d}' style='fill:#1d2340'/></g>");
    }

    private static string Number(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);
}
