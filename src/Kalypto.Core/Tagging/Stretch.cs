using System.Collections.Immutable;
using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>How the picture of a button stretches around any label: what lies along its edges stays as it is.</summary>
/// <param name="Edges">Points that stay at the left, top, right and bottom; none to find them in the drawing.</param>
public sealed record Stretch(ImmutableArray<double> Edges)
{
    private const double Most = 2_000;

    /// <summary>Found in the drawing.</summary>
    public static Stretch Found { get; } = new([]);

    /// <summary>Reads <c>12</c> for every side, <c>20,12</c> for left and right, top and bottom, or all four; null for anything else.</summary>
    public static Stretch? Parse(string text)
    {
        var numbers = text.Split(',').Select(p => double.TryParse(p, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var points) && points <= Most ? points : -1).ToList();
        return numbers.Contains(-1) ? null : numbers switch
        {
            [var all] => new([all, all, all, all]),
            [var across, var down] => new([across, down, across, down]),
            [var left, var top, var right, var bottom] => new([left, top, right, bottom]),
            _ => null,
        };
    }

    /// <summary>As it is typed behind the colon; empty for found.</summary>
    public override string ToString() => Edges is not [var left, var top, var right, var bottom] ? "" : string.Join(',', (left == right && top == bottom, left == top) switch
    {
        (true, true) => [left],
        (true, false) => [left, top],
        _ => Edges,
    } is ImmutableArray<double> shown ? shown.Select(n => Numbers.Text(n)) : []);

    /// <inheritdoc/>
    public bool Equals(Stretch? other) => other is not null && Edges.SequenceEqual(other.Edges);

    /// <inheritdoc/>
    public override int GetHashCode() => Edges.Length == 0 ? 0 : HashCode.Combine(Edges[0], Edges[1], Edges[2], Edges[3]);
}
