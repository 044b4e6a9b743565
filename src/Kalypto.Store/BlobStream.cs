using Npgsql;

namespace Kalypto.Store;

/// <summary>Content as it comes from the database; its connection is given back when it is disposed.</summary>
internal sealed class BlobStream(Stream content, NpgsqlDataReader reader, NpgsqlCommand command) : Stream
{
    public override bool CanRead => true;

    public override bool CanSeek => false;

    public override bool CanWrite => false;

    public override long Length => content.Length;

    public override long Position { get => content.Position; set => throw new NotSupportedException(); }

    public override int Read(byte[] buffer, int offset, int count) => content.Read(buffer, offset, count);

    public override ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default) => content.ReadAsync(buffer, cancellationToken);

    public override Task<int> ReadAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) => content.ReadAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

    public override void Flush()
    {
    }

    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    public override void SetLength(long value) => throw new NotSupportedException();

    public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();

    public override async ValueTask DisposeAsync()
    {
        await content.DisposeAsync();
        await reader.DisposeAsync();
        await command.DisposeAsync();
        await base.DisposeAsync();
    }

    protected override void Dispose(bool disposing)
    {
        if (disposing)
        {
            content.Dispose();
            reader.Dispose();
            command.Dispose();
        }
        base.Dispose(disposing);
    }
}
