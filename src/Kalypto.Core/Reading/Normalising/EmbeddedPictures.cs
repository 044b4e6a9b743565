using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>Gives embedded pictures the media type that their bytes have (<c>image/jpg</c> and the like are refused by the renderer).</summary>
internal sealed class EmbeddedPictures : INormalisation
{
    public void Apply(ElementBuilder element, Action<string> note)
    {
        if (element.Name is not ("image" or "feImage") || element["href"] is not { } href
            || !href.StartsWith("data:", StringComparison.OrdinalIgnoreCase))
        {
            return;
        }
        var comma = href.IndexOf(',', StringComparison.Ordinal);
        if (comma < 0)
        {
            note("An embedded picture holds no data and is not drawn.");
            return;
        }
        var base64 = href[..comma].EndsWith(";base64", StringComparison.OrdinalIgnoreCase);
        var start = href.AsSpan(comma + 1);
        var type = !base64 ? null
            : start.StartsWith("/9j/") ? "image/jpeg"
            : start.StartsWith("iVBORw0KGgo") ? "image/png"
            : start.StartsWith("R0lGOD") ? "image/gif"
            : start.StartsWith("UklGR") ? "image/webp"
            : null;
        if (type is "image/webp")
        {
            element.Beyond ??= "a picture inside the drawing that only browsers draw";
            note("An embedded picture is WebP, which cannot be drawn from inside a drawing; embed it as PNG or JPEG.");
        }
        else if (type is null)
        {
            element.Beyond ??= "a picture inside the drawing that only browsers draw";
            note("An embedded picture is neither PNG nor JPEG nor GIF and is not drawn; embed it as one of these.");
        }
        else
        {
            element["href"] = $"data:{type};base64,{href[(comma + 1)..]}";
            if (EmbeddedPicture.HasOwnColours(href.AsSpan(comma + 1)))
            {
                element.Beyond ??= "a picture that lies on its side or has colours of its own";
                element.Wide = EmbeddedPicture.HasProfile(href.AsSpan(comma + 1)) ? "picture" : null;
            }
        }
    }
}
