using Kalypto.Core.Designs;

namespace Kalypto.Web.Wording;

/// <summary>Numbers and sizes as people read them.</summary>
public static class Words
{
    /// <summary>A weight: <c>412 B</c>, <c>5.2 kB</c>, <c>3.9 MB</c>; with a tilde when it is estimated.</summary>
    public static string Weight((long Bytes, bool IsEstimate) weight) => (weight.IsEstimate ? "~" : "") + Core.Packing.Weight.Text(weight.Bytes);

    /// <summary>A size in pt: <c>24×24</c>.</summary>
    public static string Size(Box box) => $"{Numbers.Text(box.Width, 1)}×{Numbers.Text(box.Height, 1)}";

    /// <summary>A count with its noun: <c>1 file</c>, <c>3 files</c>.</summary>
    public static string Count(long count, string noun) => Count(count, noun, $"{noun}s");

    /// <summary>A count with its noun in either form: <c>1 family</c>, <c>3 families</c>.</summary>
    public static string Count(long count, string one, string many) => $"{count} {(count == 1 ? one : many)}";
}
