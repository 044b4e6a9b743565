using Kalypto.Application.Building;
using Kalypto.Application.Packs;

namespace Kalypto.Web.Wording;

/// <summary>Says how packs differ, and why one cannot be built or looked at.</summary>
internal static class PackWords
{
    /// <summary>How two plans differ: <c>48 layers: 96 files more, 3 fewer, heavier by 210 kB</c>.</summary>
    public static string Say(PackEffect effect) => effect.Layers == 0 ? "the same files" : $"{Words.Count(effect.Layers, "layer")}: {Files(effect)}";

    /// <summary>What tags would change for layers that are picked.</summary>
    public static string Say(PackEffect effect, int picked, int ships) =>
        $"{Words.Count(picked, "layer")}: {(effect.Layers == 0 ? ships == 0 && picked > 0 ? "it is kept, but nothing ships until S" : "the same files" : Files(effect))}";

    public static string Say(BuildRefusal refusal) => refusal.Reason switch
    {
        BuildRefusal.Why.Blocked => refusal.Sentence ?? "A finding must be settled first.",
        BuildRefusal.Why.NothingShips => "Nothing ships yet: decide on the bench which layers become files.",
        BuildRefusal.Why.NotKept => "What was said when this delivery was made is not kept any more, so it cannot be made again. Its files are all there.",
        BuildRefusal.Why.NotNow => "A drawing of this project is being read again, because its reading was interrupted. Try again in a moment.",
        BuildRefusal.Why.Archived => "This project is archived. Bring it back on the page of all projects first.",
        _ => "Nothing of this part ships.",
    };

    public static string Say(CloserRefusal refusal, string ask) => refusal switch
    {
        CloserRefusal.NotInThePack => "This file is no longer in the pack. Go back to the pack and choose it again.",
        CloserRefusal.NoFormat => $"“{ask}” is no format with a quality. Write one such as webp:60, jpeg:auto or avif:<40kB.",
        CloserRefusal.CropNotKnown => "Its crop is not known yet. Try again in a moment.",
        _ => "It takes long to make. It goes on in the background; try again in a minute.",
    };

    private static string Files(PackEffect effect) => string.Join(", ", new[]
    {
        effect.More > 0 ? $"{Words.Count(effect.More, "file")} more" : null,
        effect.Fewer > 0 ? $"{effect.Fewer} fewer" : null,
        effect.Otherwise > 0 ? $"{Words.Count(effect.Otherwise, "file")} made otherwise" : null,
        effect.Bytes == 0 ? null : $"{(effect.Bytes > 0 ? "heavier" : "lighter")} by {Words.Weight((Math.Abs(effect.Bytes), effect.IsEstimate))}",
    }.Where(p => p is not null));
}
