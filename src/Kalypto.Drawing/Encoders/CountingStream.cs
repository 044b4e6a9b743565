namespace Kalypto.Drawing.Encoders;

/// <summary>Takes bytes and keeps only how many they were.</summary>
internal sealed class CountingStream : Stream
{
    private long length;

    public override bool CanRead => false;

    public override bool CanSeek => false;

    public override bool CanWrite => true;

    public override long Length => length;

    public override long Position { get => length; set => throw new NotSupportedException(); }

    public override void Write(byte[] buffer, int offset, int count) => length += count;

    public override void Write(ReadOnlySpan<byte> buffer) => length += buffer.Length;

    public override void Flush()
    {
    }

    public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    public override void SetLength(long value) => throw new NotSupportedException();
}
