using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>What is to be measured of texts, and the texts with what was.</summary>
public static class TextMeasuring
{
    /// <summary>The runs of all texts in their order.</summary>
    public static IReadOnlyList<TextAsk> AsksOf(IEnumerable<LayerValues> all) => [.. all.SelectMany(RunsOf).Select(r => new TextAsk(r.Words, r.Type.Families, r.Type.Weight, r.Type.IsItalic, r.Type.Size, r.Type.LetterSpacing))];

    /// <summary>The same with the measures of their runs; as they are when there are none.</summary>
    public static IReadOnlyList<LayerValues> With(IReadOnlyList<LayerValues> all, IReadOnlyList<LineMeasure> measures)
    {
        if (measures.Count == 0)
        {
            return all;
        }
        var at = 0;
        return [.. all.Select(values =>
        {
            if (values.Text is not { } text)
            {
                return values;
            }
            ImmutableArray<TextLine> lines = [.. text.Lines.Select(line =>
            {
                var runs = measures.Skip(at).Take(line.Runs.Length).ToList();
                at += line.Runs.Length;
                return line with { Measure = new(Math.Round(runs.Sum(r => r.Width), 3), runs.Max(r => r.Ascent), runs.Max(r => r.Descent)) };
            })];
            var measured = text with { Lines = lines };
            return values with { Text = measured, Box = values.Turn != 0 ? values.Box : BoxOf(measured) };
        })];
    }

    /// <summary>The box of a measured text: as long as its longest line, from above its first to below its last.</summary>
    private static Box BoxOf(TextValue text)
    {
        double Left(TextLine line) => line.X - (text.Anchor == "middle" ? line.Measure!.Value.Width / 2 : text.Anchor == "end" ? line.Measure!.Value.Width : 0);
        var (first, last) = (text.Lines[0], text.Lines[^1]);
        var box = Box.FromEdges(text.Lines.Min(Left), first.Baseline - first.Measure!.Value.Ascent, text.Lines.Max(l => Left(l) + l.Measure!.Value.Width), last.Baseline + last.Measure!.Value.Descent);
        return new(Math.Round(box.X, 2), Math.Round(box.Y, 2), Math.Round(box.Width, 2), Math.Round(box.Height, 2));
    }

    private static IEnumerable<TextRun> RunsOf(LayerValues values) => values.Text?.Lines.SelectMany(l => l.Runs) ?? [];
}
