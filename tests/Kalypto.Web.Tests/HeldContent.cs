using System.Net;
using System.Net.Http.Headers;

namespace Kalypto.Web.Tests;

/// <summary>An upload that does not end before it may.</summary>
internal sealed class HeldContent : HttpContent
{
    private const string Boundary = "held";
    private readonly Task release;

    public HeldContent(Task release)
    {
        this.release = release;
        Headers.ContentType = MediaTypeHeaderValue.Parse($"multipart/form-data; boundary={Boundary}");
    }

    protected override async Task SerializeToStreamAsync(Stream stream, TransportContext? context)
    {
        await stream.WriteAsync("--held\r\n"u8.ToArray());
        await stream.FlushAsync();
        await release;
        await stream.WriteAsync("Content-Disposition: form-data; name=\"x\"\r\n\r\nx\r\n--held--\r\n"u8.ToArray());
    }

    protected override bool TryComputeLength(out long length)
    {
        length = 0;
        return false;
    }
}
