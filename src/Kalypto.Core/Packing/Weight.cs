using Kalypto.Core.Designs;

namespace Kalypto.Core.Packing;

/// <summary>Weights as people read them.</summary>
public static class Weight
{
    /// <summary>In thousands of bytes: <c>412 B</c>, <c>5.2 kB</c>, <c>3.9 MB</c>.</summary>
    public static string Text(long bytes) => bytes switch
    {
        < 1_000 => $"{bytes} B",
        < 99_500 => $"{Numbers.Text(bytes / 1000.0, 1)} kB",
        < 999_500 => $"{Numbers.Text(bytes / 1000.0, 0)} kB",
        _ => $"{(bytes / 1e6).ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)} MB",
    };
}
