using Kalypto.Core.Comparing;
using Kalypto.Core.Rendering;

namespace Kalypto.Web.Wording;

/// <summary>Says what is different between two files.</summary>
internal static class DeliveryWords
{
    public static string Say(FileChange change, PictureDifference? difference) => (change, difference) switch
    {
        (_, { Share: 0 }) => "Every pixel looks the same.",
        (_, { } d) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{d.Share * 100:0.##} % of the pixels look different."),
        ({ Old: { Width: > 0 } old, New: { } now }, _) when (old.Width, old.Height) != (now.Width, now.Height) => $"{old.Width}×{old.Height} px before, {now.Width}×{now.Height} px now.",
        _ => "",
    };
}
