using System.Buffers.Binary;

namespace Kalypto.Core.Designs;

/// <summary>What an ICC profile (ICC.1) says of the colours of a picture.</summary>
public static class ColourProfile
{
    private const int Tags = 128;
    private const int TagLength = 12;
    private const int MostTags = 200;

    // Two points of the curve of sRGB (IEC 61966-2-1), one in the dark part that plain gammas miss, and how far others may be from it.
    private static readonly (double At, double Light, double Within)[] Curve = [(0.1, 0.01002, 0.0015), (0.5, 0.21404, 0.004)];

    // The primaries of sRGB in the white of profiles, D50.
    private static readonly (string Tag, double X, double Y, double Z)[] Primaries = [("rXYZ", 0.4361, 0.2225, 0.0139), ("gXYZ", 0.3851, 0.7169, 0.0971), ("bXYZ", 0.1431, 0.0606, 0.7141)];
    private const double Near = 0.003;

    /// <summary>True for a profile that means what a picture without one means: the primaries and the curve of sRGB, whatever it is called.</summary>
    public static bool IsSrgb(ReadOnlySpan<byte> profile)
    {
        if (profile.Length < Tags + 4 || !profile.Slice(16, 4).SequenceEqual("RGB "u8))
        {
            return false;
        }
        foreach (var (tag, x, y, z) in Primaries)
        {
            var place = Find(profile, tag);
            if (place.Length < 20 || Math.Abs(Fixed(place[8..]) - x) > Near || Math.Abs(Fixed(place[12..]) - y) > Near || Math.Abs(Fixed(place[16..]) - z) > Near)
            {
                return false;
            }
        }
        var curve = Find(profile, "rTRC");
        foreach (var (at, light, within) in Curve)
        {
            if (Light(curve, at) is not { } found || Math.Abs(found - light) > within)
            {
                return false;
            }
        }
        return true;
    }

    private static ReadOnlySpan<byte> Find(ReadOnlySpan<byte> profile, string tag)
    {
        var count = Math.Min(MostTags, BinaryPrimitives.ReadUInt32BigEndian(profile[Tags..]));
        for (var at = Tags + 4; count > 0 && at + TagLength <= profile.Length; at += TagLength, count--)
        {
            if (System.Text.Encoding.Latin1.GetString(profile.Slice(at, 4)) == tag)
            {
                var (offset, length) = (BinaryPrimitives.ReadUInt32BigEndian(profile[(at + 4)..]), BinaryPrimitives.ReadUInt32BigEndian(profile[(at + 8)..]));
                return offset <= profile.Length && length <= profile.Length - offset ? profile.Slice((int)offset, (int)length) : [];
            }
        }
        return [];
    }

    private static double Fixed(ReadOnlySpan<byte> at) => BinaryPrimitives.ReadInt32BigEndian(at) / 65536.0;

    /// <summary>The light that a value stands for by a curve of a table or gamma, or one of the formulas (10.6, 10.18); null for another.</summary>
    private static double? Light(ReadOnlySpan<byte> curve, double value)
    {
        if (curve.Length >= 12 && curve[..4].SequenceEqual("curv"u8))
        {
            var count = BinaryPrimitives.ReadUInt32BigEndian(curve[8..]);
            if (count == 0 || curve.Length < 12 + 2L * count)
            {
                return count == 0 ? value : null;
            }
            if (count == 1)
            {
                return Math.Pow(value, BinaryPrimitives.ReadUInt16BigEndian(curve[12..]) / 256.0);
            }
            var place = value * (count - 1);
            var below = (int)place;
            var (low, high) = (BinaryPrimitives.ReadUInt16BigEndian(curve[(12 + 2 * below)..]), BinaryPrimitives.ReadUInt16BigEndian(curve[(14 + 2 * below)..]));
            return (low + (high - low) * (place - below)) / ushort.MaxValue;
        }
        if (curve.Length < 16 || !curve[..4].SequenceEqual("para"u8))
        {
            return null;
        }
        int[] lengths = [1, 3, 4, 5, 7];
        var sort = BinaryPrimitives.ReadUInt16BigEndian(curve[8..]);
        if (sort >= lengths.Length || curve.Length < 12 + 4 * lengths[sort])
        {
            return null;
        }
        Span<double> p = stackalloc double[7];
        for (var i = 0; i < lengths[sort]; i++)
        {
            p[i] = Fixed(curve[(12 + 4 * i)..]);
        }
        return sort switch
        {
            0 => Math.Pow(value, p[0]),
            1 => value >= -p[2] / p[1] ? Math.Pow(p[1] * value + p[2], p[0]) : 0,
            2 => value >= -p[2] / p[1] ? Math.Pow(p[1] * value + p[2], p[0]) + p[3] : p[3],
            3 => value >= p[4] ? Math.Pow(p[1] * value + p[2], p[0]) : p[3] * value,
            _ => value >= p[4] ? Math.Pow(p[1] * value + p[2], p[0]) + p[5] : p[3] * value + p[6],
        };
    }
}
