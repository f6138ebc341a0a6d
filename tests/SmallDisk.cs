using System.Diagnostics;

namespace Dekoro.Tests;

/// <summary>
/// A file system in memory that is soon full. Only root can make one, so a test that needs it is skipped for others.
/// </summary>
internal sealed class SmallDisk : IDisposable
{
    private const int BlockBytes = 4096;

    private SmallDisk(string folder) => Folder = folder;

    public string Folder { get; }

    public static SmallDisk OfMegabytes(int megabytes)
    {
        var disk = new SmallDisk(Directory.CreateTempSubdirectory("dekoro-small").FullName);
        Assert.SkipUnless(disk.Mounts(megabytes), "Only root can make a small disk to fill.");
        return disk;
    }

    /// <summary>Fills it but for so many blocks of 4 kB.</summary>
    public void Fill(int freeBlocks = 0)
    {
        MakeRoom();
        var left = new DriveInfo(Folder).AvailableFreeSpace / BlockBytes - freeBlocks;
        using var filler = File.Create(Filler, 1);
        var block = new byte[BlockBytes];
        try
        {
            for (; left > 0; left--)
                filler.Write(block);
        }
        catch (IOException) when (freeBlocks == 0)
        {
            // What works on it meanwhile has taken the last of it: it is full.
        }
    }

    public void MakeRoom() => File.Delete(Filler);

    public void Dispose()
    {
        Run("umount", "-l", Folder);
        Directory.Delete(Folder, recursive: true);
    }

    private string Filler => Path.Combine(Folder, "filler");

    private bool Mounts(int megabytes) => Run("mount", "-t", "tmpfs", "-o", $"size={megabytes}m", "tmpfs", Folder);

    private static bool Run(string command, params string[] args)
    {
        using var process = Process.Start(new ProcessStartInfo(command, args) { RedirectStandardError = true })!;
        process.WaitForExit();
        return process.ExitCode == 0;
    }
}
