using System.Buffers.Binary;
using Kalypto.Core.Formats;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Encoders;

/// <summary>Compares two encoded pictures of one size.</summary>
internal static class PictureComparison
{
    // What the eye does not tell apart in one pixel.
    private const int Visible = 6;

    public static byte[] Compare(byte[] both, int first)
    {
        using var a = NetVips.Image.NewFromBuffer(both[..first]);
        using var b = NetVips.Image.NewFromBuffer(both[first..]);
        if (a.Width != b.Width || a.Height != b.Height)
        {
            throw new RenderingFailedException("The pictures differ in size.");
        }
        var (x, y) = (Vips.ToRgba(both[..first]), Vips.ToRgba(both[first..]));
        var (largest, share) = Likeness.Difference(x, y, Visible);
        var answer = new byte[20];
        BinaryPrimitives.WriteDoubleLittleEndian(answer, Likeness.Of(x, y, a.Width, a.Height));
        BinaryPrimitives.WriteDoubleLittleEndian(answer.AsSpan(8), share);
        BinaryPrimitives.WriteInt32LittleEndian(answer.AsSpan(16), largest);
        return answer;
    }

    public static PictureDifference Read(byte[] answer) => new(
        BinaryPrimitives.ReadDoubleLittleEndian(answer), BinaryPrimitives.ReadDoubleLittleEndian(answer.AsSpan(8)), BinaryPrimitives.ReadInt32LittleEndian(answer.AsSpan(16)));
}
