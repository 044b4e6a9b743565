using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling.Code;

/// <summary>A straight gradient between two points, as most toolkits ask for it.</summary>
/// <param name="FromX">Where its first colour is, as a share of the box from its left edge.</param>
/// <param name="FromY">From its top edge.</param>
/// <param name="ToX">Where its last colour is.</param>
/// <param name="ToY">From its top edge.</param>
/// <param name="Stops">From 0 to 1.</param>
internal readonly record struct GradientLine(double FromX, double FromY, double ToX, double ToY, ImmutableArray<GradientStop> Stops)
{
    /// <summary>The same gradient.</summary>
    public static GradientLine Of(LinearFill fill, Box box)
    {
        var (sin, cos) = Math.SinCos(fill.Angle * Math.PI / 180);
        var length = Math.Abs(box.Width * sin) + Math.Abs(box.Height * cos);
        var (first, last) = (fill.Stops[0].At, fill.Stops[^1].At);
        var span = last - first is > 1e-9 and var s ? s : 1;
        (double X, double Y) At(double share) => (0.5 + (share - 0.5) * length * sin / Math.Max(box.Width, 1e-9), 0.5 - (share - 0.5) * length * cos / Math.Max(box.Height, 1e-9));
        var ((fx, fy), (tx, ty)) = (At(first), At(last));
        static double R(double number) => Math.Round(number, 3) + 0.0;
        return new(R(fx), R(fy), R(tx), R(ty), [.. fill.Stops.Select(p => p with { At = R((p.At - first) / span) })]);
    }
}
