using System.Text.Json;
using System.Text.Json.Serialization;
using Kalypto.Application.Benches;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A screen on the strip and on the wall.</summary>
/// <param name="Design">The design.</param>
/// <param name="Root">The layer that stands for it.</param>
/// <param name="Name">Its name.</param>
/// <param name="Decided">Layers that need nobody any more.</param>
/// <param name="Total">All layers.</param>
/// <param name="Ship">Layers that become files.</param>
/// <param name="Code">Layers built in code.</param>
/// <param name="Leave">Layers left.</param>
/// <param name="Covered">Layers settled by what lies around or in them.</param>
/// <param name="Picture">The address of its picture.</param>
/// <param name="Size">Its size in pt.</param>
/// <param name="Device">phone, tablet, desktop, or null.</param>
/// <param name="Box">Left, top, width and height in pt.</param>
/// <param name="Shapes">Shapes in it.</param>
/// <param name="Pictures">Embedded pictures in it.</param>
public sealed record ScreenModel(
    int Design, int Root, string Name, int Decided, int Total, int Ship, int Code, int Leave, int Covered, string Picture, string Size, string? Device, double[] Box, int Shapes, int Pictures)
{
    /// <summary>Tells it from all other screens of the project.</summary>
    public long Id => ((long)Design << 32) | (uint)Root;

    /// <summary>The screen on the strip of a bench, written when it has to be.</summary>
    [JsonIgnore]
    public JournalRow Row => new(Id, Signature, () => JsonSerializer.SerializeToUtf8Bytes(this, JsonSerializerOptions.Web));

    private long Signature => ((long)HashCode.Combine(Name, Picture, Size, Device) << 32) ^ (uint)HashCode.Combine(Decided, Total, Ship, Code, Leave, Covered, Shapes, Pictures);

    /// <summary>What becomes of how much: <c>45 shapes become 3 files</c>.</summary>
    public string Become(int files) =>
        $"{(Shapes > 0 || Pictures == 0 ? Words.Count(Shapes, "shape") : Words.Count(Pictures, "picture"))} become {Words.Count(files, "file")}";
}
