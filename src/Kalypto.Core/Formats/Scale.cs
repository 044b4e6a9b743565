using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Formats;

/// <summary>A factor of the 1x size.</summary>
/// <param name="Factor">px per pt; from 0.1 to 10.</param>
public readonly record struct Scale(double Factor) : IComparable<Scale>
{
    /// <summary>The smallest factor that can be asked for.</summary>
    public const double Least = 0.1;

    /// <summary>The largest factor that can be asked for.</summary>
    public const double Most = 10;

    /// <summary>Reads <c>2x</c> or <c>1.5x</c>; null for anything else.</summary>
    public static Scale? Parse(string text) =>
        text.EndsWith('x') && double.TryParse(text[..^1], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var factor)
        && factor is >= Least and <= Most
            ? new(factor) : null;

    /// <summary>The px that a length in whole points takes; a fraction is rounded up, so that nothing visible is cut.</summary>
    public int Pixels(double points) => (int)Math.Ceiling(points * Factor - 1e-6);

    /// <summary>Compares by factor.</summary>
    public static bool operator <(Scale a, Scale b) => a.Factor < b.Factor;

    /// <summary>Compares by factor.</summary>
    public static bool operator >(Scale a, Scale b) => a.Factor > b.Factor;

    /// <summary>Compares by factor.</summary>
    public static bool operator <=(Scale a, Scale b) => a.Factor <= b.Factor;

    /// <summary>Compares by factor.</summary>
    public static bool operator >=(Scale a, Scale b) => a.Factor >= b.Factor;

    /// <inheritdoc/>
    public int CompareTo(Scale other) => Factor.CompareTo(other.Factor);

    /// <summary>The scale as it is written: <c>1.5x</c>.</summary>
    public override string ToString() => Numbers.Text(Factor, 3) + "x";
}
