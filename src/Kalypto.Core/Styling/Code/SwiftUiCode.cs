using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as SwiftUI.</summary>
public sealed class SwiftUiCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "swiftui";

    /// <inheritdoc/>
    public string Name => "SwiftUI";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("// ").Append(note).Append('\n');
        }
        string Colour(Colour colour) => tokens.NameOf(colour) is { } token ? $"Tokens.{Member(token)}" : Of(colour);
        void Line(string modifier) => code.Append("\n    .").Append(modifier);
        if (values.Text is { } text)
        {
            var (type, fill) = (text.Main.Type, text.Main.Fill);
            code.Append("Text(").Append(Quoted(text.Words)).Append(')');
            Line($"font({(tokens.NameOf(type) is { } token ? $"Tokens.{Member(token)}" : FontOf(type))})");
            if (type.LetterSpacing != 0)
            {
                Line($"kerning({N(type.LetterSpacing)})");
            }
            if (type.LineHeight is { } height && text.Lines[0].Measure is { } measure)
            {
                // Space between lines is counted from the height of the font.
                Line($"lineSpacing({N(Math.Round(height - measure.Ascent - measure.Descent, 2))})");
            }
            if (type.Decoration is "underline" or "line-through")
            {
                Line(type.Decoration == "underline" ? "underline()" : "strikethrough()");
            }
            if (text.Anchor != "start" && text.Lines.Length > 1)
            {
                Line($"multilineTextAlignment(.{(text.Anchor == "middle" ? "center" : "trailing")})");
            }
            Line($"foregroundStyle({(fill is null ? "Color.clear" : Style(fill, values.Box, Colour))})");
        }
        else
        {
            var shape = Shape(values, tokens);
            code.Append(shape);
            Line($"fill({(values.Fill is null ? "Color.clear" : Style(values.Fill, values.Box, Colour))})");
            if (values.Border is { } border)
            {
                var dashes = border.Dashes.IsEmpty ? $"lineWidth: {N(border.Width)}" : $"style: StrokeStyle(lineWidth: {N(border.Width)}, dash: [{string.Join(", ", border.Dashes.Select(N))}])";
                Line($"overlay({shape}.strokeBorder({Style(border.Fill, values.Box, Colour)}, {dashes}))");
            }
            Line($"frame(width: {N(values.Box.Width)}, height: {N(values.Box.Height)})");
        }
        foreach (var shadow in values.Shadows.Where(s => !s.IsInside))
        {
            // Its radius is the standard deviation.
            Line($"shadow(color: {Colour(shadow.Colour)}, radius: {N(shadow.Blur / 2)}, x: {N(shadow.X)}, y: {N(shadow.Y)})");
        }
        if (values.Blur > 0)
        {
            Line($"blur(radius: {N(values.Blur)})");
        }
        if (values.Opacity < 1)
        {
            Line($"opacity({N(values.Opacity)})");
        }
        if (values.Blend is { } blend && BlendOf(blend) is { } mode)
        {
            Line($"blendMode(.{mode})");
        }
        if (values.Turn != 0)
        {
            Line($"rotationEffect(.degrees({N(values.Turn)}))");
        }
        return code.ToString();
    }

    /// <summary>A colour.</summary>
    internal static string Of(Colour colour) => colour is { Red: 255, Green: 255, Blue: 255 } or { Red: 0, Green: 0, Blue: 0 }
        ? $"Color.{(colour.Red == 255 ? "white" : "black")}{(colour.Alpha < 1 ? $".opacity({N(colour.Alpha)})" : "")}"
        : $"Color(red: {Part(colour.Red)}, green: {Part(colour.Green)}, blue: {Part(colour.Blue)}{(colour.Alpha < 1 ? $", opacity: {N(colour.Alpha)}" : "")})";

    /// <summary>A font.</summary>
    internal static string FontOf(TypeStyle type)
    {
        var weight = type.Weight switch { <= 150 => "ultraLight", <= 250 => "thin", <= 350 => "light", <= 450 => "regular", <= 550 => "medium", <= 650 => "semibold", <= 750 => "bold", <= 850 => "heavy", _ => "black" };
        var font = type.Family.Length > 0 ? $".custom({Quoted(type.Family)}, size: {N(type.Size)})" : $".system(size: {N(type.Size)})";
        return $"{font}{(weight == "regular" ? "" : $".weight(.{weight})")}{(type.IsItalic ? ".italic()" : "")}";
    }

    private static string Part(int channel) => Numbers.Text(channel / 255.0, 3);

    private static string Shape(LayerValues values, ITokenNames tokens)
    {
        var r = values.Radii;
        var name = tokens.NameOf(r);
        return r.AreNone ? "Rectangle()"
            : r.AreOne && Math.Abs(values.Box.Width - values.Box.Height) < 0.01 && r.UpperLeft >= values.Box.Width / 2 - 0.01 ? "Circle()"
            : r.AreOne && r.UpperLeft >= Math.Min(values.Box.Width, values.Box.Height) / 2 - 0.01 ? "Capsule(style: .circular)"
            : r.AreOne ? $"RoundedRectangle(cornerRadius: {(name is null ? N(r.UpperLeft) : $"Tokens.{Member(name)}")}, style: .circular)"
            : $"UnevenRoundedRectangle(topLeadingRadius: {N(r.UpperLeft)}, bottomLeadingRadius: {N(r.LowerLeft)}, bottomTrailingRadius: {N(r.LowerRight)}, topTrailingRadius: {N(r.UpperRight)}, style: .circular)";
    }

    private static string Style(Fill fill, Box box, Func<Colour, string> colour)
    {
        string Stops(IEnumerable<GradientStop> stops) => $"stops: [{string.Join(", ", stops.Select(s => $".init(color: {colour(s.Colour)}, location: {N(s.At)})"))}]";
        return fill switch
        {
            LinearFill linear when GradientLine.Of(linear, box) is var line =>
                $"LinearGradient({Stops(line.Stops)}, startPoint: UnitPoint(x: {N(line.FromX)}, y: {N(line.FromY)}), endPoint: UnitPoint(x: {N(line.ToX)}, y: {N(line.ToY)}))",
            RadialFill radial => $"RadialGradient({Stops(radial.Stops)}, center: UnitPoint(x: {N(radial.X / box.Width)}, y: {N(radial.Y / box.Height)}), startRadius: 0, endRadius: {N(radial.Across)})",
            _ => colour(((SolidFill)fill).Colour),
        };
    }

    private static string? BlendOf(string mode) => mode switch
    {
        "multiply" or "screen" or "overlay" or "darken" or "lighten" or "difference" or "exclusion" or "hue" or "saturation" or "luminosity" => mode,
        "color-dodge" => "colorDodge",
        "color-burn" => "colorBurn",
        "hard-light" => "hardLight",
        "soft-light" => "softLight",
        "color" => "color",
        "plus-lighter" => "plusLighter",
        _ => null,
    };
}
