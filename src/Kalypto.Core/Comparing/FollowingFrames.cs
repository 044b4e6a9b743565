using System.Collections.Immutable;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Comparing;

/// <summary>Screens that people made follow what lies on them from one draft to another.</summary>
public static class FollowingFrames
{
    private const double Alike = 0.5;

    /// <summary>An arrangement as it is kept, with its screens where they are in another draft; screens that only the other one draws are added.</summary>
    public static Arrangement Follow(this Arrangement kept, DraftDrawing from, DraftDrawing to)
    {
        var scale = ScaleOf(from, to);
        var made = kept.Made.Select(m => m.Frame is { } frame ? m with { Frame = FrameIn(frame) } : m).ToImmutableArray();
        var screens = kept.Screens.Select(s => s with { Box = s.Root >= Lineages.Made ? FrameIn(s.Box) : BoxIn(s) }).ToList();
        if (screens.Count > 0 && from.Measured.Drawn.Screens.Length > 1)
        {
            foreach (var screen in to.Measured.Drawn.Screens.Where(s => from.Lineages.OrdinalOf(to.Lineages.Of(s.Root.Ordinal)) is null && screens.TrueForAll(k => k.Root != to.Lineages.Of(s.Root.Ordinal))))
            {
                screens.Add(new(FreeName.Of(screen.Name, name => screens.Exists(k => k.Name.Equals(name, StringComparison.OrdinalIgnoreCase)), " "), screen.Box, to.Lineages.Of(screen.Root.Ordinal)));
            }
        }
        return new([.. screens], made);

        Box BoxIn(ArrangedScreen screen)
        {
            if (from.Lineages.OrdinalOf(screen.Root) is not { } before || to.Lineages.OrdinalOf(screen.Root) is not { } now
                || ShapeOf(from, before) is not { } old || ShapeOf(to, now) is not { } shape)
            {
                return screen.Box;
            }
            // One that the file itself draws as a screen.
            if (Drawn(from, before) is { } drawn && IsAlike(drawn, screen.Box) && Drawn(to, now) is { } again)
            {
                return again;
            }
            return IsAlike(old, screen.Box) ? shape : screen.Box.Scale(scale) is var larger ? larger with { X = larger.X + shape.X - scale * old.X, Y = larger.Y + shape.Y - scale * old.Y } : shape;
        }

        Box FrameIn(Box frame)
        {
            var moves = Common(from, to).Where(p => frame.Intersect(p.Old) is { IsEmpty: false } common && common.Width * common.Height > p.Old.Width * p.Old.Height / 2)
                .Select(p => (X: p.New.X - scale * p.Old.X, Y: p.New.Y - scale * p.Old.Y)).ToList();
            var larger = frame.Scale(scale);
            return moves.Count == 0 ? larger : larger with { X = Near(larger.X + Middle(moves.Select(m => m.X))), Y = Near(larger.Y + Middle(moves.Select(m => m.Y))) };
        }
    }

    private static Box? Drawn(DraftDrawing draft, int root) => draft.Measured.Drawn.Screens.FirstOrDefault(s => s.Root.Ordinal == root)?.Box;

    private static bool IsAlike(Box a, Box b) => Math.Abs(a.X - b.X) + Math.Abs(a.Y - b.Y) + Math.Abs(a.Width - b.Width) + Math.Abs(a.Height - b.Height) < Alike;

    // A frame stays on whole units where it was on them.
    private static double Near(double edge) => Math.Abs(edge - Math.Round(edge)) < 0.01 ? Math.Round(edge) : edge;

    private static double ScaleOf(DraftDrawing from, DraftDrawing to)
    {
        var ratios = Common(from, to).Where(p => Math.Max(p.Old.Width, p.Old.Height) > 4).Select(p => Math.Max(p.New.Width, p.New.Height) / Math.Max(p.Old.Width, p.Old.Height)).ToList();
        return ratios.Count == 0 ? 1 : Middle(ratios);
    }

    /// <summary>The shape boxes of the layers that both drafts have.</summary>
    internal static IEnumerable<(Box Old, Box New)> Common(DraftDrawing from, DraftDrawing to)
    {
        for (var o = 1; o < from.Measured.Drawn.Layers.Length; o++)
        {
            if (to.Lineages.OrdinalOf(from.Lineages.Of(o)) is { } now && ShapeOf(from, o) is { } old && ShapeOf(to, now) is { } shape)
            {
                yield return (old, shape);
            }
        }
    }

    private static Box? ShapeOf(DraftDrawing draft, int ordinal) => draft.Measured.Drawn.Layers[ordinal].ViewBox ?? (ordinal < draft.Measured.Shapes.Count ? draft.Measured.Shapes[ordinal] : null);

    private static double Middle(IEnumerable<double> numbers)
    {
        var sorted = numbers.Order().ToList();
        return sorted[sorted.Count / 2];
    }
}
