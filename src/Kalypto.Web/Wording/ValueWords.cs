using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Web.Wording;

/// <summary>The values of a layer as lines for people.</summary>
internal static class ValueWords
{
    /// <summary>A value.</summary>
    /// <param name="Name">What it is.</param>
    /// <param name="Value">The value, with its unit.</param>
    /// <param name="Swatch">A colour to show beside it; null for none.</param>
    /// <param name="Token">What the value is called; null for one without a name.</param>
    public sealed record Line(string Name, string Value, string? Swatch = null, string? Token = null);

    /// <summary>All of them.</summary>
    public static IEnumerable<Line> Of(LayerValues values, ITokenNames tokens)
    {
        if (values.Text is { } text)
        {
            var type = text.Main.Type;
            yield return new("family", type.Family.Length > 0 ? string.Join(", ", FamilyList.Of(type.Families)) : "none in particular", Token: tokens.NameOf(type));
            yield return new("weight", $"{type.Weight}{(type.IsItalic ? " italic" : "")}");
            yield return new("size", Pt(type.Size));
            if (type.LineHeight is { } height)
            {
                yield return new("line height", Pt(height));
            }
            if (type.LetterSpacing != 0)
            {
                yield return new("letter spacing", Pt(type.LetterSpacing));
            }
            if (text.Main.Fill is { } ink)
            {
                yield return Paint("colour", ink, tokens);
            }
            if (text.Anchor != "start")
            {
                yield return new("set", text.Anchor == "middle" ? "centred" : "to its end");
            }
            yield return new("baseline", string.Join(" · ", text.Lines.Select(l => Pt(l.Baseline))));
            foreach (var run in CssCode.OtherRuns(text))
            {
                yield return new($"“{(run.Words.Length > 24 ? run.Words[..24] + "…" : run.Words)}”", $"{run.Type.Weight}{(run.Type.IsItalic ? " italic" : "")} {Pt(run.Type.Size)}{(run.Fill is SolidFill s ? " " + CssCode.OfColour(s.Colour) : "")}", (run.Fill as SolidFill) is { } fill ? CssCode.OfColour(fill.Colour) : null);
            }
        }
        if (values.Fill is { } painted)
        {
            yield return Paint("fill", painted, tokens);
        }
        if (values.Border is { } border)
        {
            var line = Paint("border", border.Fill, tokens);
            yield return line with { Value = $"{Pt(border.Width)} {line.Value}{(border.Dashes.IsEmpty ? "" : $", dashes {string.Join(" ", border.Dashes.Select(d => Numbers.Text(d, 2)))}")}" };
        }
        if (!values.Radii.AreNone)
        {
            var r = values.Radii;
            yield return new("corners", r.AreOne ? Pt(r.UpperLeft) : $"{Numbers.Text(r.UpperLeft, 2)} {Numbers.Text(r.UpperRight, 2)} {Numbers.Text(r.LowerRight, 2)} {Pt(r.LowerLeft)}", Token: tokens.NameOf(r));
        }
        foreach (var shadow in values.Shadows)
        {
            yield return new(shadow.IsInside ? "inner shadow" : "shadow", $"{Numbers.Text(shadow.X, 2)} {Numbers.Text(shadow.Y, 2)}, soft {Pt(shadow.Blur)}{(shadow.Spread != 0 ? $", spread {Pt(shadow.Spread)}" : "")}, {CssCode.OfColour(shadow.Colour)}", CssCode.OfColour(shadow.Colour), tokens.NameOf(values.Shadows));
        }
        if (values.Blur > 0)
        {
            yield return new("blur", Pt(values.Blur));
        }
        if (values.Opacity < 1)
        {
            yield return new("opacity", $"{Numbers.Text(values.Opacity * 100, 1)} %");
        }
        if (values.Blend is { } blend)
        {
            yield return new("blend", blend);
        }
        if (values.Turn != 0)
        {
            yield return new("turned", $"{Numbers.Text(values.Turn, 2)}°");
        }
    }

    /// <summary>What it is in a few words, for its row.</summary>
    public static string Brief(LayerValues values, ITokenNames tokens)
    {
        if (values.Text is { } text)
        {
            var type = text.Main.Type;
            var set = tokens.NameOf(type) ?? $"{type.Family} {type.Weight}".Trim();
            return string.Join(" · ", new[] { set, $"{Numbers.Text(type.Size, 2)}{(type.LineHeight is { } h ? "/" + Numbers.Text(h, 2) : "")}", text.Main.Fill is SolidFill s ? tokens.NameOf(s.Colour) ?? CssCode.OfColour(s.Colour) : null }.OfType<string>());
        }
        return string.Join(" · ", new[]
        {
            values.Fill switch { SolidFill s => tokens.NameOf(s.Colour) ?? CssCode.OfColour(s.Colour), LinearFill or RadialFill => "gradient", _ => null },
            values.Border is { } b ? $"border {Numbers.Text(b.Width, 2)}" : null,
            values.Radii.AreNone ? null : tokens.NameOf(values.Radii) ?? $"corners {Numbers.Text(values.Radii.UpperLeft, 2)}",
            values.Shadows.IsEmpty ? null : "shadow",
        }.OfType<string>());
    }

    private static Line Paint(string name, Fill fill, ITokenNames tokens) => fill switch
    {
        SolidFill s => new(name, CssCode.OfColour(s.Colour), CssCode.OfColour(s.Colour), tokens.NameOf(s.Colour)),
        LinearFill l => new(name, $"gradient {Numbers.Text(l.Angle, 1)}°: {string.Join(", ", l.Stops.Select(s => $"{CssCode.OfColour(s.Colour)} {Numbers.Text(s.At * 100, 1)} %"))}"),
        RadialFill r => new(name, $"round gradient of {Pt(r.Across)}: {string.Join(", ", r.Stops.Select(s => $"{CssCode.OfColour(s.Colour)} {Numbers.Text(s.At * 100, 1)} %"))}"),
        _ => new(name, ""),
    };

    private static string Pt(double length) => $"{Numbers.Text(length, 2)} pt";
}
